import { number } from "../ui/form/shape";
import { newArea } from "./form";
import type { ProcessParts } from "./parts";
import { SpeedOfBath } from "./Source";
import { pulledTone, readTone, TONES, ToneWish, typedTone } from "./tones";

const FIRST = ["70", "50", "32"];

/** Whites to stop out first, and three pools: small, a few cm² each. */
const first = () => [
  newArea("Whites", "40", { lstar: "" }),
  ...FIRST.map((lstar, i) => newArea(`Pool ${i + 1}`, "6", { lstar })),
];

export const POOLS: ProcessParts = {
  key: "spit-bite",
  method: "stop-out",
  methods: [["stop-out", "All at once, done ones left"]],
  hint: "Whites are stopped out first. All pools are brushed together; done ones are left alone.",
  fine: "Pools stay apart in tone. Bands are 95 %.",
  legend: "Pools and tones wanted",
  area: "pool",
  called: "Pool",
  heads: ["L*"],
  signs: true,
  fields: { "areas.*.lstar": number("Pool #, L* wanted") },
  aliases: {},
  Wish: ToneWish,
  first,
  another: (count) => newArea(`Pool ${count}`, "6", { lstar: "40" }),
  goals: ["lstar"],
  goal: "tone",
  typedGoal: TONES.typedGoal,
  typed: typedTone,
  read: readTone,
  calibrates: (strip) => strip.usable,
  stripLabel: "Strip",
  Below: null,
  Source: SpeedOfBath,
  measures: false,
  pulled: pulledTone,
};
