import type { Quad } from "./Marked";

const AROUND = 0.5;
/** Hardly more than the row itself. */
export const CLOSE = 0.04;

/** The part of the scan that is shown: the row, and a share of its height around it. */
export function boxOf(marks: Quad[], share = AROUND) {
  const xs = marks.flat().map(([x]) => x);
  const ys = marks.flat().map(([, y]) => y);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [top, low] = [Math.min(...ys), Math.max(...ys)];
  const around = share * Math.min(right - left, low - top);
  return {
    x: left - around,
    y: top - around,
    width: right - left + 2 * around,
    height: low - top + 2 * around,
  };
}
