import type { Bath } from "../../api/baths";

/** A vessel as it is drawn: at one scale, so that who looks sees whether a plate fits. */

export const PX_PER_MM = 0.54;
const MM3_PER_L = 1e6;
/** What is drawn where nobody has measured the vessel: a usual one that holds its volume. */
const USUAL_DEEP_MM = 36;
const USUAL = {
  tray: { lean: 4 / 3, high: 80 },
  tank: { lean: 2.4, high: 300 },
  bottle: { lean: 1, high: 140 },
};

export type Drawn = {
  kind: "tray" | "tank" | "bottle";
  wide: number;
  high: number;
  deep: number;
  measured: boolean;
};

const kindOf = (vessel: string): Drawn["kind"] =>
  vessel === "tank" || vessel === "bottle" ? vessel : "tray";

/** Width, height and depth of the liquid [px]. */
export function drawnVessel(bath: Bath): Drawn {
  const kind = kindOf(bath.vessel);
  const measured = bath.width_mm !== null && bath.length_mm !== null && bath.height_mm !== null;
  const usual = USUAL[kind];
  const deep = kind === "tank" ? usual.high * 0.75 : kind === "bottle" ? 70 : USUAL_DEEP_MM;
  const area = (bath.volume_l * MM3_PER_L) / deep;
  const long = bath.length_mm ?? Math.sqrt(area * usual.lean);
  const short = bath.width_mm ?? area / long;
  const high = bath.height_mm ?? usual.high;
  const liquid = Math.min((bath.volume_l * MM3_PER_L) / (long * short), high * 0.94);
  const px = (mm: number) => Math.round(mm * PX_PER_MM);
  return { kind, wide: px(Math.max(long, short)), high: px(high), deep: px(liquid), measured };
}

const LIQUIDS: Record<string, string> = {
  "copper-ferric": "fill-ferric",
  "copper-ferric-citric": "fill-ferric",
  "copper-nitric": "fill-nitric-green",
  "zinc-nitric-10": "fill-nitric",
  "zinc-nitric-16": "fill-nitric",
  "zinc-copper-sulphate": "fill-sulphate",
};
export const liquidOf = (mordant: string) => LIQUIDS[mordant] ?? "fill-nitric";

const SLUDGE: Record<string, string> = {
  "zinc-copper-sulphate": "fill-copper-deep",
  "copper-ferric": "fill-ferric-deep",
  "copper-ferric-citric": "fill-ferric-deep",
};
/** What settles at the bottom; none where nothing does. */
export const sludgeOf = (mordant: string) => SLUDGE[mordant] ?? null;
