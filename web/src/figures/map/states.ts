import type { RunMap } from "../../api/studies";
import { STATE } from "./paint";

const MOST_LABELS = 16;

/** What hands do now, by the names of areas. */
export type Hands = { cover: string[]; uncover: string[]; open: string[] };

/** What becomes of each area of a run's map: by what is to be covered or opened now, and is open. */
export function statesOf(map: RunMap, { cover, uncover, open }: Hands): number[] {
  const states = new Array<number>(MOST_LABELS).fill(STATE.covered);
  const now = new Set([...cover, ...uncover]);
  for (const area of map.areas) {
    const crayon = area.graded_from !== null && cover.includes(area.graded_from);
    let state: number = STATE.covered;
    if (now.has(area.name)) state = STATE.now;
    else if (open.includes(area.name)) state = crayon ? STATE.crayon : STATE.open;
    for (const label of area.labels) states[label] = state;
  }
  return states;
}

/** Shapes to crayon over, with what, once their light tone is covered. */
export const crayonNow = (map: RunMap, { cover, open }: Hands) =>
  map.areas.filter(
    (area) =>
      area.graded_from !== null && cover.includes(area.graded_from) && open.includes(area.name),
  );
