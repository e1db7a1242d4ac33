import type { Sheet } from "../api/plans";
import type { EventIn, Run } from "../api/runs";
import { currentBite, dipUnderWay, localRun } from "./local";
import { gained, goalAt, interpolate, looksAt, secondsToLift, speedAt, standsAt } from "./sheet";

const sheet = {
  goal: { kind: "tone", sign: "L*", unit: "", digits: 0 },
  temperatures_c: [10, 20, 30],
  speeds: [0.5, 1, 2],
  wetting_seconds: 6,
  grid_reference_seconds: [0, 100, 200],
  areas: [
    {
      name: "sky",
      lstar: [94, 60, 40],
      lstar_low: [93, 58, 37],
      lstar_high: [95, 62, 43],
      goal: { value: [94, 60, 40], low: [93, 58, 37], high: [95, 62, 43] },
      target_reference_seconds: 100,
      reached_reference_seconds: 0,
      wanted: 60,
    },
    {
      name: "quay",
      lstar: [94, 60, 40],
      lstar_low: [93, 58, 37],
      lstar_high: [95, 62, 43],
      goal: { value: [94, 60, 40], low: [93, 58, 37], high: [95, 62, 43] },
      target_reference_seconds: 200,
      reached_reference_seconds: 0,
      wanted: 40,
    },
  ],
  plan: {
    bites: [
      {
        number: 1,
        seconds: 106,
        reference_seconds: 100,
        areas: [
          { name: "sky", finished: true },
          { name: "quay", finished: false },
        ],
        open_before: [],
      },
      {
        number: 2,
        seconds: 106,
        reference_seconds: 100,
        areas: [{ name: "quay", finished: true }],
        open_before: [],
      },
    ],
  },
} as unknown as Sheet;

const run = {
  sheet,
  bath_temperature_c: 20,
  bath_line: [],
  bites_before: 0,
  events: [],
  areas: [{ name: "sky" }, { name: "quay" }],
  state: {
    dips: [],
    covered: [],
    covered_since_lift: false,
    rinsed: false,
    neutralised: false,
    observed: [],
    temperature_c: null,
    last_cared_seconds: null,
  },
} as unknown as Run;

const event = (kind: string, at: number, data: object, id: string): EventIn =>
  ({
    id,
    kind,
    device: "d",
    sequence: at,
    monotonic_ms: at * 1000,
    offset_ms: 0,
    offset_spread_ms: 1,
    data,
  }) as EventIn;

test.each([
  [-5, 0.5],
  [15, 0.75],
  [25, 1.5],
  [99, 2],
])("speed at %d °C is %d", (celsius, speed) => {
  expect(speedAt(sheet, celsius)).toBeCloseTo(speed);
});

test("wetting is lost once, and time and exposure go there and back", () => {
  expect(gained(sheet, [[0, 20]], 5)).toBe(0);
  expect(gained(sheet, [[0, 20]], 106)).toBeCloseTo(100);
  const readings: [number, number][] = [
    [0, 20],
    [56, 30],
  ];
  const lift = secondsToLift(sheet, readings, 100);
  expect(lift).toBeCloseTo(81);
  expect(gained(sheet, readings, lift)).toBeCloseTo(100);
});

test("tones are looked up between the points of the table", () => {
  expect(goalAt(sheet, "sky", 50)?.value).toBeCloseTo(77);
  expect(goalAt(sheet, "sky", 100)).toEqual({ value: 60, low: 58, high: 62 });
  expect(goalAt(sheet, "ghost", 50)).toBeNull();
  expect(interpolate(3, [], [])).toBeNaN();
});

test("with no line a late lift shortens the bite that follows", () => {
  const dip = event("dip", 1000, { open: ["sky", "quay"] }, "a");
  expect(dipUnderWay(localRun(run, [dip]))?.event).toBe("a");
  const late = localRun(run, [dip, event("lift", 1126, { dip: "a" }, "b")]);
  expect(dipUnderWay(late)).toBeNull();
  const next = currentBite(run, late);
  expect(next?.number).toBe(2);
  expect(next?.open).toEqual(["quay"]);
  expect(next?.target).toBeCloseTo(80);
});

test("with no line what is opened next bites as long as it was planned, late or not", () => {
  const bites = [
    { ...sheet.plan.bites[0], areas: [{ name: "quay", finished: false }], open_before: ["quay"] },
    {
      ...sheet.plan.bites[1],
      areas: [
        { name: "sky", finished: false },
        { name: "quay", finished: false },
      ],
      open_before: ["sky"],
    },
  ];
  const opening = { ...run, sheet: { ...sheet, plan: { ...sheet.plan, bites } } } as Run;
  const dip = event("dip", 1000, { open: ["quay"] }, "a");
  expect(currentBite(opening, localRun(opening, []))).toMatchObject({
    opens: ["quay"],
    opensNext: ["sky"],
    later: ["sky"],
  });
  const late = localRun(opening, [dip, event("lift", 1200, { dip: "a" }, "b")]);
  expect(currentBite(opening, late)).toMatchObject({ number: 2, opens: ["sky"], target: 100 });
});

test("an undo on this device takes its own event back", () => {
  const dip = event("dip", 1000, { open: ["sky"] }, "a");
  const undo = event("undo", 1001, { event: "a" }, "u");
  expect(localRun(run, [dip, undo]).state.dips).toEqual([]);
});

test("an area is told in the goal of its process", () => {
  const goal = { kind: "depth", sign: "", unit: "µm", digits: 0 };
  const depth = { value: [0, 10, 20], low: [0, 8, 16], high: [0, 12, 24] };
  const lines = { ...sheet, goal, areas: [{ ...sheet.areas[0], goal: depth }] } as unknown as Sheet;
  expect(goalAt(lines, "sky", 150)?.value).toBeCloseTo(15);
  expect(standsAt(lines, "sky", 150)).toBe("15 µm");
  expect(looksAt(lines, "sky", 50)).toBeCloseTo(77);
  expect(standsAt(sheet, "sky", 50)).toBe("L* 77");
  expect(standsAt(sheet, "ghost", 50)).toBe("");
  expect(looksAt(sheet, "ghost", 50)).toBeNull();
});
