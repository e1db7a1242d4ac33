import type { Quad } from "./Marked";

/** What a scan gave: the doubt and the place of each patch, in the order they stand. */
export type Scanned = { picture: string; patches: { lstar: number; doubt: number; quad: Quad }[] };

const SAME_LSTAR = 0.06;

/** Patches with the doubt their scan left them; one typed over since is as sure as an eye. */
export function withSpread<P extends { lstar: number }>(patches: P[], scan: Scanned | null) {
  return patches.map((patch, i) => {
    const seen = scan?.patches[i];
    const own = seen && Math.abs(seen.lstar - patch.lstar) < SAME_LSTAR;
    return { ...patch, left_out: false, ...(own ? { spread: seen.doubt } : {}) };
  });
}

/** What a reading gives to the patches of a form. */
export const scannedOf = (
  answer: { patches: { lstar: number; doubt: number; corners_px: unknown }[] },
  picture: string,
): Scanned => ({
  picture,
  patches: answer.patches.map((each) => ({
    lstar: each.lstar,
    doubt: each.doubt,
    quad: each.corners_px as Quad,
  })),
});
