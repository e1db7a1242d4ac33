import type { Shapes } from "../../api/client";
import { biteSection } from "./model";

type Sheet = Shapes["RunSheet"];
const tone = (name: string, to: number, finished = false) => ({
  name,
  lstar: 90 - to / 10,
  lstar_low: 88 - to / 10,
  lstar_high: 92 - to / 10,
  goal: { value: 90 - to / 10, low: 88 - to / 10, high: 92 - to / 10 },
  finished,
  reference_seconds: to,
});
const line = (name: string, to: number, depth: number) => ({
  ...tone(name, to),
  goal: { value: depth, low: depth - 2, high: depth + 2 },
  lines: {
    depth_um: depth,
    depth_um_low: depth - 2,
    depth_um_high: depth + 2,
    width_um: 2 * depth,
    width_um_low: depth,
    width_um_high: 3 * depth,
    darkness: 0.5,
  },
});
const bite = (number: number, areas: unknown[]) => ({ number, seconds: 60, areas });

test("each area is eaten down to its last bite, and knows what it was meant to be", () => {
  const plan = {
    done: [bite(1, [tone("sky", 60, true), tone("quay", 60)])],
    bites: [bite(2, [tone("quay", 200, true)])],
    areas: [tone("sky", 60), tone("quay", 200)],
    lightest_lstar: 94,
  };
  const wanted = [
    { name: "paper", wanted: null },
    { name: "sky", wanted: 84 },
    { name: "quay", wanted: 70 },
  ];
  const sheet = { plan, goal: { kind: "tone" }, areas: wanted } as unknown as Sheet;
  const sizes = [10, 30, 60];
  const areas = wanted.map(({ name }, i) => ({ name, open_cm2: sizes[i] ?? 0 }));
  const section = biteSection(areas, sheet, true);
  const [paper, sky, quay] = section.columns;
  expect(paper?.segments).toEqual([]);
  expect(paper?.expected).toBe(94);
  expect(sky?.closed).toBe(true);
  expect(quay?.segments.map((s) => [s.phase, s.from, s.to])).toEqual([
    ["done", 0, 60],
    ["now", 60, 200],
  ]);
  expect(section.columns.map((c) => c.share)).toEqual([0.1, 0.3, 0.6]);
  expect([section.deepest, quay?.width, quay?.wanted]).toEqual([200, null, 70]);
});

test("lines carry depth, band, width and the depth wanted", () => {
  const plan = {
    done: [],
    bites: [bite(1, [line("fine", 300, 18)])],
    areas: [line("fine", 300, 18)],
    lightest_lstar: 94,
  };
  const wanted = [{ name: "fine", wanted: 20 }];
  const sheet = { plan, goal: { kind: "depth" }, areas: wanted } as unknown as Sheet;
  const section = biteSection([{ name: "fine", open_cm2: 4 }], sheet, false);
  expect(section.columns[0]).toMatchObject({
    expected: 18,
    low: 16,
    high: 20,
    width: 36,
    wanted: 20,
  });
  expect(section.goal.kind).toBe("depth");
});
