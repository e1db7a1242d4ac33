import type { Shapes } from "../../api/client";
import { biteSection } from "./model";

type Plan = Shapes["PlanBitesOutput"];
const tone = (name: string, to: number, finished = false) => ({
  name,
  lstar: 90 - to / 10,
  lstar_low: 88 - to / 10,
  lstar_high: 92 - to / 10,
  finished,
  reference_seconds: to,
});
const line = (name: string, to: number, depth: number) => ({
  ...tone(name, to),
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
  } as unknown as Plan;
  const areas = [
    { name: "paper", lstar: null, open_cm2: 10 },
    { name: "sky", lstar: 84, open_cm2: 30 },
    { name: "quay", lstar: 70, open_cm2: 60 },
  ];
  const section = biteSection(areas, plan, true);
  const [paper, sky, quay] = section.columns;
  expect(paper?.segments).toEqual([]);
  expect(paper?.expected).toBe(94);
  expect(sky?.closed).toBe(true);
  expect(quay?.segments.map((s) => [s.phase, s.from, s.to])).toEqual([
    ["done", 0, 60],
    ["now", 60, 200],
  ]);
  expect(section.columns.map((c) => c.share)).toEqual([0.1, 0.3, 0.6]);
  expect([section.deepest, quay?.lines]).toEqual([200, null]);
});

test("lines carry depth, band, width and the depth wanted", () => {
  const plan = {
    done: [],
    bites: [bite(1, [line("fine", 300, 18)])],
    areas: [line("fine", 300, 18)],
    lightest_lstar: 94,
  } as unknown as Plan;
  const [fine] = biteSection([{ name: "fine", depth_um: 20, open_cm2: 4 }], plan, false).columns;
  expect(fine?.lines).toEqual({ depth: 18, half: 2, width: 36, wanted: 20 });
  expect(fine?.wanted).toBeNull();
});
