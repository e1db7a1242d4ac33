import { columnWidths, depthOf, type Section } from "../../../figures/bite/model";

/** The gauge's own measures [px of its view box]. */
export const [W, H, TOP, FLOOR] = [336, 556, 24, 470];
const EDGE = 14;
const NARROWEST = 30;
const FOOT = 60;

/** A bite section laid out as a gauge. */
export type Gauged = {
  id: string;
  section: Section;
  /** Left edges of the columns, and the right edge of the last. */
  xs: number[];
  y: (seconds: number) => number;
};

export function gauged(id: string, section: Section): Gauged {
  const shares = section.columns.map((column) => column.share);
  const xs = [EDGE];
  for (const width of columnWidths(shares, W - 2 * EDGE, NARROWEST)) {
    xs.push((xs.at(-1) as number) + width);
  }
  const y = (seconds: number) => TOP + depthOf(seconds, section.deepest, FLOOR - TOP - FOOT, false);
  return { id, section, xs, y };
}
