import type { BathPage } from "../../api/baths";

/** Where moments and values of a bath's life stand in its figure: pure functions, in px. */

export const HEIGHT = 496;
export const LEFT = 56;
const RIGHT = 6;
export const AXIS_Y = 472;

export type Track = { top: number; bottom: number };
export const TRACKS = {
  speed: { top: 22, bottom: 198 },
  load: { top: 232, bottom: 324 },
  warmth: { top: 354, bottom: 400 },
  bites: { top: 420, bottom: 462 },
} satisfies Record<string, Track>;

export type Frame = {
  width: number;
  from: number;
  to: number;
  now: number;
  x: (at: string | number) => number;
};

const secondsOf = (at: string | number) => (typeof at === "number" ? at : Date.parse(at) / 1000);

/** The time axis: from the first thing known of the bath to the end of the forecast. */
export function frameOf(page: BathPage, width: number): Frame {
  const from = secondsOf(page.line[0]?.at ?? page.now_seconds);
  const to = secondsOf(page.forecast.at(-1)?.at ?? page.now_seconds);
  const span = Math.max(to - from, 1);
  const x = (at: string | number) =>
    LEFT + ((secondsOf(at) - from) / span) * (width - LEFT - RIGHT);
  return { width, from, to, now: page.now_seconds, x };
}

export type Scale = { y: (value: number) => number; ticks: number[] };

/** A scale from low (bottom) to high (top) of a track, with a few round ticks. */
export function scaleOf(track: Track, low: number, high: number, step: number): Scale {
  const [a, b] = [Math.floor(low / step) * step, Math.ceil(high / step) * step];
  const span = Math.max(b - a, step);
  const y = (value: number) => track.bottom - ((value - a) / span) * (track.bottom - track.top);
  const count = Math.round(span / step);
  return { y, ticks: Array.from({ length: count + 1 }, (_, i) => a + i * step) };
}

const STEPS = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50];
const MOST_TICKS = 5;

/** The step that gives at most so many ticks. */
export const stepFor = (span: number, most = MOST_TICKS): number =>
  STEPS.find((step) => span / step <= most) ?? 100;

/** A path through points. */
export const pathOf = (points: [number, number][]): string =>
  points.map(([x, y], i) => `${i ? "L" : "M"}${x.toFixed(1)} ${y.toFixed(1)}`).join("");

/** A closed band between two lines. */
export const bandOf = (low: [number, number][], high: [number, number][]): string =>
  `${pathOf(high)}${pathOf([...low].reverse()).replace("M", "L")}Z`;

/** A line that keeps its height until the next point. */
export const stepsOf = (points: [number, number][]): string =>
  points
    .map(([x, y], i) =>
      i ? `H${x.toFixed(1)}V${y.toFixed(1)}` : `M${x.toFixed(1)} ${y.toFixed(1)}`,
    )
    .join("");
