import type { Pair, Test } from "../../api/exposures";

/** Where the times of a two-way test stand in its figure: pure functions, in px. */

export const BOX = { left: 104, right: 8, top: 30, bottom: 74 };
const ROW_PX = 63;
export const LEAST_PX = 520;

export type Axis = {
  times: number[];
  /** Where the cells of the times begin and end, one more than there are times. */
  edges: number[];
  at: (seconds: number) => number;
};

export type Field = { width: number; height: number; image: Axis; screen: Axis };

/** The times of a test, planned or read, each way from the shortest. */
export function timesOf(test: Test): { screen: number[]; image: number[] } {
  const read = (way: "screen_seconds" | "image_seconds") => [
    ...new Set([...(test.plan?.[way] ?? []), ...test.readings.map((patch) => patch[way])]),
  ];
  const rising = (times: number[]) => times.sort((a, b) => a - b);
  return { screen: rising(read("screen_seconds")), image: rising(read("image_seconds")) };
}

/** The field at a width: both ways by the logarithm of the time, short at the left and at the top. */
export function fieldOf(test: Test, laid: number): Field {
  const { screen, image } = timesOf(test);
  const width = Math.max(LEAST_PX, laid);
  const high = BOX.top + screen.length * ROW_PX;
  return {
    width,
    height: high + BOX.bottom,
    image: axisOf(image, BOX.left, width - BOX.right),
    screen: axisOf(screen, BOX.top, high),
  };
}

function axisOf(times: number[], from: number, to: number): Axis {
  const logs = times.map(Math.log);
  const step = ((logs.at(-1) ?? 0) - (logs[0] ?? 0)) / Math.max(logs.length - 1, 1) || 1;
  const [low, high] = [(logs[0] ?? 0) - step / 2, (logs.at(-1) ?? 0) + step / 2];
  const onLog = (log: number) => from + ((log - low) / (high - low)) * (to - from);
  const between = logs.slice(1).map((log, i) => (log + (logs[i] as number)) / 2);
  return {
    times,
    edges: [low, ...between, high].map(onLog),
    at: (seconds) => onLog(Math.log(seconds)),
  };
}

/** Closed lines as a path. */
export const outlinePath = (lines: Pair["field"]["likely"], { image, screen }: Field): string =>
  lines
    .map((line) =>
      line
        .map(
          ([s, i], place) =>
            `${place ? "L" : "M"}${image.at(i).toFixed(1)} ${screen.at(s).toFixed(1)}`,
        )
        .concat("Z")
        .join(""),
    )
    .join("");
