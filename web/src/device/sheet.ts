import type { Sheet } from "../api/plans";

/** Looking up in a run sheet: the browser interpolates in what the server computed. */

export type Reading = [second: number, celsius: number];

export function interpolate(x: number, xs: number[], ys: number[]): number {
  const last = xs.length - 1;
  if (last < 0) return Number.NaN;
  if (x <= (xs[0] as number)) return ys[0] as number;
  if (x >= (xs[last] as number)) return ys[last] as number;
  let low = 0;
  let high = last;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((xs[middle] as number) <= x) low = middle;
    else high = middle;
  }
  const [x0, x1] = [xs[low] as number, xs[high] as number];
  const [y0, y1] = [ys[low] as number, ys[high] as number];
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0);
}

export function speedAt(sheet: Sheet, celsius: number): number {
  return interpolate(celsius, sheet.temperatures_c, sheet.speeds);
}

type Step = { from: number; until: number; pace: number };

function steps(sheet: Sheet, readings: Reading[]): Step[] {
  const sorted = [...readings].sort((a, b) => a[0] - b[0]);
  return sorted.map(([from, celsius], i) => ({
    from: i === 0 ? 0 : from,
    until: sorted[i + 1]?.[0] ?? Number.POSITIVE_INFINITY,
    pace: Math.max(speedAt(sheet, celsius), 1e-3),
  }));
}

/** Reference seconds gained in a bite that has lasted `elapsed` clock seconds. */
export function gained(sheet: Sheet, readings: Reading[], elapsed: number): number {
  return steps(sheet, readings).reduce((sum, step) => {
    const from = Math.max(step.from, sheet.wetting_seconds);
    return sum + Math.max(0, Math.min(step.until, elapsed) - from) * step.pace;
  }, 0);
}

/** Clock seconds from dip to lift for a bite that is to gain `target` reference seconds. */
export function secondsToLift(sheet: Sheet, readings: Reading[], target: number): number {
  let left = target;
  let at = sheet.wetting_seconds;
  for (const step of steps(sheet, readings)) {
    if (step.until <= at) continue;
    if ((step.until - at) * step.pace >= left) return at + left / step.pace;
    left -= (step.until - at) * step.pace;
    at = step.until;
  }
  return at;
}

export type Stands = { value: number; low: number; high: number };

function areaOf(sheet: Sheet, name: string): Sheet["areas"][number] | undefined {
  return sheet.areas.find((each) => each.name === name);
}

/** What an area has come to after `reference` seconds in all, in the goal of its process. */
export function goalAt(sheet: Sheet, name: string, reference: number): Stands | null {
  const found = areaOf(sheet, name)?.goal;
  if (!found) return null;
  const at = (values: number[]) => interpolate(reference, sheet.grid_reference_seconds, values);
  return { value: at(found.value), low: at(found.low), high: at(found.high) };
}

/** A value of the goal in words: "L* 42", "38 µm". */
export function inWords(goal: Sheet["goal"], value: number): string {
  return [goal.sign, value.toFixed(goal.digits), goal.unit].filter(Boolean).join(" ");
}

/** What an area stands at in words; empty for what is not in the sheet. */
export function standsAt(sheet: Sheet, name: string, reference: number): string {
  const stands = goalAt(sheet, name, reference);
  return stands ? inWords(sheet.goal, stands.value) : "";
}

/** How light an area prints, or looks, after `reference` seconds in all. */
export function looksAt(sheet: Sheet, name: string, reference: number): number | null {
  const found = areaOf(sheet, name);
  return found ? interpolate(reference, sheet.grid_reference_seconds, found.lstar) : null;
}
