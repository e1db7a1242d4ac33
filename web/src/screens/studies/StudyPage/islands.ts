import type { Study } from "../../../api/studies";

/** Smaller pieces are hard to paint round; those a little larger are ringed on the maps alone. */
export const JOINED_MM2 = 6;

export const islandsOf = (study: Study) =>
  (study.cut?.islands ?? []).filter((each) => each.mm2 < JOINED_MM2);
