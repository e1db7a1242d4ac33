const TILES = import.meta.glob("../assets/grain-*.png", {
  eager: true,
  query: "?url",
  import: "default",
}) as Record<string, string>;

const LIGHTEST = 92;
const DARKEST = 12;

/** The tile whose mean is nearest to a tone: its number and its address. */
export function grainTile(lstar: number): { key: number; href: string } {
  const key = Math.min(LIGHTEST, Math.max(DARKEST, Math.round(lstar / 2) * 2));
  return { key, href: TILES[`../assets/grain-${key}.png`] ?? "" };
}
