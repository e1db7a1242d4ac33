import type { Shapes } from "../../../api/client";

export type What = Shapes["FirstThing"]["what"];

/** What a room needs before its first planned bite: why, where, how long it takes. */
export const FIRST: {
  what: What;
  title: string;
  why: string;
  act: string;
  to: string;
  long: string;
}[] = [
  {
    what: "bath",
    title: "A bath",
    why: "Ferric, nitric or salt, in a tray or a tank. You get its speed today and its life left.",
    act: "Make it up",
    to: "baths/new",
    long: "3 min",
  },
  {
    what: "strip",
    title: "A test strip",
    why: "A scrap with your ground, bitten in patches and printed. You get how long each tone takes.",
    act: "Bite or read one",
    to: "strips",
    long: "5 min to read, an hour to bite",
  },
  {
    what: "plate",
    title: "A plate",
    why: "Copper, zinc, plastic or photopolymer. You get its whole course, step by step.",
    act: "Put it in the rack",
    to: "plates/new",
    long: "2 min",
  },
];
