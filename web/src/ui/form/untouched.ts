import { shownLength, type Units } from "../units";

type Sizes<N extends string> = { [name in N]?: number | null };

/** Sizes that were left as they were shown stay what they are, not what was rounded to be shown. */
export function untouched<N extends string>(
  names: readonly N[],
  read: Sizes<N>,
  of: Sizes<N>,
  units: Units,
): Partial<Record<N, number>> {
  const shown = (mm: number | null | undefined) => (mm == null ? "" : shownLength(mm, units));
  const left = names.filter((each) => of[each] != null && shown(read[each]) === shown(of[each]));
  return Object.fromEntries(left.map((each) => [each, of[each]])) as Partial<Record<N, number>>;
}
