import type { Quad } from "./Marked";

/** What a scan gave: the doubt and the place of each patch, in the order they stand. */
export type Scanned = { picture: string; patches: { lstar: number; doubt: number; quad: Quad }[] };

const SAME_LSTAR = 0.06;

/** Patches with the doubt their scan left them; one typed over since is as sure as an eye. */
export function withSpread<P extends { lstar: number }>(patches: P[], scan: Scanned | null) {
  return patches.map((patch, i) => {
    const seen = scan?.patches[i];
    return { ...patch, left_out: false, ...(same(seen, patch) ? { spread: seen?.doubt } : {}) };
  });
}

const same = (seen: { lstar: number } | undefined, patch: { lstar: number }) =>
  seen !== undefined && Math.abs(seen.lstar - patch.lstar) < SAME_LSTAR;

/** What a scan gave to the patches that are sent: those left out of the form stand in it, too. */
export function keptOf(patches: { lstar: number }[], scan: Scanned | null): Scanned | null {
  if (!scan) return null;
  let at = 0;
  const kept = patches.map((patch, i) => {
    const last = scan.patches.length - (patches.length - i);
    let found = at;
    for (let k = at; k <= last; k += 1)
      if (same(scan.patches[k], patch)) {
        found = k;
        break;
      }
    at = found + 1;
    return scan.patches[found];
  });
  return { ...scan, patches: kept.flatMap((each) => (each ? [each] : [])) };
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
