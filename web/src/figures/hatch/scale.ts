/** Drawn so many times as large as on the plate. */
export const TIMES = 4;
const PX_PER_MM = 3.78 * TIMES;
const WIDEST_UM = 1400;
const LEAN = 0.42;

/** Where a spacing stands, on a logarithmic scale: wide at the left, close at the right. */
export function apartScale(width: number, lineUm: number) {
  const closest = Math.min(WIDEST_UM / 2, Math.max(20, lineUm * 0.95));
  const whole = Math.log(WIDEST_UM / closest);
  const at = (um: number) => (width * Math.log(WIDEST_UM / um)) / whole;
  at.invert = (x: number) => WIDEST_UM * Math.exp((-x / width) * whole);
  return at;
}

export type Line = { x: number; lean: number };

/** Lines of one layer, each as far from the next as the scale says where it stands. */
export function linesOf(width: number, height: number, lineUm: number, layer: number): Line[] {
  const spacing = apartScale(width, lineUm).invert;
  const lean = LEANS[layer] ?? 0;
  const found: Line[] = [];
  let x = -height;
  while (x < width + height && found.length < 900) {
    found.push({ x, lean: lean * height });
    x += (Math.max(1, spacing(Math.min(width, Math.max(0, x)))) / 1000) * PX_PER_MM;
  }
  return found;
}

const LEANS = [LEAN, -LEAN, 0];

/** How wide a line is drawn [px]. */
export const drawnWidth = (lineUm: number) => Math.max(0.5, (lineUm / 1000) * PX_PER_MM);

/** Of labels, those that do not run into the one before. */
export function apart<T>(rows: T[], at: (row: T) => number, least: number): T[] {
  const found: T[] = [];
  for (const row of rows) {
    const before = found.at(-1);
    if (!before || Math.abs(at(row) - at(before)) >= least) found.push(row);
  }
  return found;
}
