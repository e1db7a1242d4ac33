import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { Sheet } from "../api/plans";
import type { Run, RunState } from "../api/runs";
import type { ExposureSheet, ExposureStands, ExposureState } from "../api/exposures";
import type { PullState } from "../api/editions";
import type { WorkState } from "../api/works";
import type { MarksState } from "../api/marks";
import { foldExposure } from "./exposureFold";
import { followExposure } from "./exposureFollow";
import { fold } from "./fold";
import type { Happened } from "./happened";
import { foldMarks } from "./marksFold";
import { foldPulls } from "./pullFold";
import { type Reading, secondsToLift } from "./sheet";
import { foldWork } from "./sheetFold";

/** The same cases as the core's own tests replay: both folds agree, or the build is red. */
const GOLDEN = join(__dirname, "../../../tests/golden");

function cases<Case>(kind: string): [string, Case][] {
  const names = readdirSync(join(GOLDEN, kind)).filter((name) => name.endsWith(".json"));
  return names.map((name) => [name, JSON.parse(readFileSync(join(GOLDEN, kind, name), "utf8"))]);
}

type Folded = {
  events: Happened[];
  bath: Run["bath_line"];
  areas?: string[];
  state: RunState;
};
type Lifted = { sheet: Sheet; target: number; temperatures: Reading[]; seconds: number };

test.each(cases<Folded>("fold"))(
  "%s folds into the golden state",
  (_, { events, bath, areas, state }) => {
    expect(fold(events, bath, areas)).toEqual(state);
  },
);

test.each(cases<Folded>("fold"))(
  "%s does so in any order, repeated",
  (_, { events, bath, areas, state }) => {
    expect(fold([...events].reverse().concat(events), bath, areas)).toEqual(state);
  },
);

test.each(cases<Lifted>("lift"))("%s lifts at the golden second", (_, lifted) => {
  const { sheet, target, temperatures, seconds } = lifted;
  expect(secondsToLift(sheet, temperatures, target)).toBeCloseTo(seconds, 9);
});

type Exposed = {
  sheet: string;
  events: Happened[];
  state: ExposureState;
  stands: ExposureStands;
};
const sheetOf = (key: string): ExposureSheet =>
  JSON.parse(readFileSync(join(GOLDEN, "sheets", `${key}.json`), "utf8"));

/** Floats of two languages: alike to a thousandth. */
const rounded = (value: unknown) =>
  JSON.parse(JSON.stringify(value), (_, each) =>
    typeof each === "number" ? Math.round(each * 1000) / 1000 : each,
  );

test.each(cases<Exposed>("exposure"))(
  "%s: an exposure stands as in the golden case, in any order, repeated",
  (_, { sheet, events, state, stands }) => {
    for (const told of [events, [...events].reverse().concat(events)]) {
      expect(foldExposure(told)).toEqual(state);
      const followed = followExposure(sheetOf(sheet), foldExposure(told));
      expect(rounded(followed)).toEqual(rounded(stands));
    }
  },
);

test.each(cases<{ events: Happened[]; state: MarksState }>("marks"))(
  "%s: a scratched plate stands as in the golden case, in any order, repeated",
  (_, { events, state }) => {
    for (const told of [events, [...events].reverse().concat(events)])
      expect(rounded(foldMarks(told))).toEqual(rounded(state));
  },
);

test.each(cases<{ events: Happened[]; state: PullState }>("pulls"))(
  "%s: a plate at the press stands as in the golden case, in any order, repeated",
  (_, { events, state }) => {
    for (const told of [events, [...events].reverse().concat(events)])
      expect(rounded(foldPulls(told))).toEqual(rounded(state));
  },
);

test("a dip more than can be reckoned is named, and so is its lift", () => {
  const [dip, lift] = (
    cases<Folded>("fold").find(([name]) => name === "one-bite.json") as [string, Folded]
  )[1].events;
  const bites = Array.from({ length: 501 }, (_, n) => [
    { ...dip, id: `d${n}`, at_seconds: 1000 * n },
    { ...lift, id: `l${n}`, at_seconds: 1000 * n + 60, data: { dip: `d${n}` } },
  ]).flat() as Happened[];
  const state = fold(bites, []);
  expect(state.dips).toHaveLength(500);
  expect(state.notices.map((each) => [each.event, each.code])).toEqual([
    ["d500", "too-many"],
    ["l500", "too-many"],
  ]);
});

test("there are golden cases of each", () => {
  expect(cases("fold").length).toBeGreaterThanOrEqual(20);
  expect(cases("lift").length).toBeGreaterThanOrEqual(8);
  expect(cases("pulls").length).toBeGreaterThanOrEqual(30);
  expect(cases("marks").length).toBeGreaterThanOrEqual(20);
  expect(cases("exposure").length).toBeGreaterThanOrEqual(15);
});

type Worked = { events: Happened[]; state: WorkState };

test.each(cases<Worked>("works"))("work %s folds into the golden state", (_, { events, state }) => {
  expect(foldWork(events)).toEqual(state);
});

test.each(cases<Worked>("works"))(
  "work %s does so in any order, repeated",
  (_, { events, state }) => {
    expect(foldWork([...events].reverse().concat(events))).toEqual(state);
  },
);
