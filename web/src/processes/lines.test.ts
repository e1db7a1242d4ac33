import type { Bath } from "../api/baths";
import type { Plan } from "../api/plans";
import { lineOf, measuredFields, typedLine } from "../ui/form/MeasuredLines";
import { readTyped, type Typed } from "../ui/form/read";
import { shapeOf } from "../ui/form/shape";
import { firstPlan, type PlanRead, planIn, planShape, typedPlan } from "./form";
import { LINES, newGroup } from "./lines";

const METRIC = { length_unit: "mm", temperature_unit: "C" };
const bath = { id: "b" } as Bath;
const SENT = { id: "p", version: 0 };
const SHAPE = planShape(LINES);
const read = (typed: Typed) => readTyped(SHAPE, typed, METRIC);
const sent = (typed: Typed) => planIn(LINES, read(typed).body as PlanRead, SENT);

/** A plan with groups in which these cells were typed. */
const typedWith = (groups: Typed[]): Typed => ({
  ...firstPlan(LINES, 300, [bath], [{ id: "s", mordant: "zinc-nitric-10" }]),
  areas: groups.map((cells) => ({ ...newGroup("fine"), ...cells })),
});

test("a first plan has the three usual depths, and can be sent as it is", () => {
  const plan = sent(firstPlan(LINES, 300, [bath], []));
  expect(plan.part).toBe("lines");
  expect(plan.strip).toBeNull();
  expect(plan.areas.map((area) => area.depth_um)).toEqual([18, 40, 80]);
});

test.each<[Typed, number | null, number | null]>([
  [{ amount: "35" }, 35, null],
  [{ amount: "70", goal: "darkness" }, null, 0.7],
  [{ amount: "12,5" }, 12.5, null],
])("%o is sent as a depth or as a darkness", (cells, depth, darkness) => {
  const area = sent(typedWith([cells])).areas[0];
  expect(area?.depth_um).toBe(depth);
  expect(area?.darkness).toBe(darkness);
});

test.each<[Typed, string]>([
  [{ amount: "" }, "Group 1, wanted: nothing is written yet."],
  [{ amount: "4o" }, "Group 1, wanted: “4o” is not a number."],
  [{ name: " " }, "Name of group 1: nothing is written yet."],
  [{ needle_um: "9000" }, "Group 1, needle in µm: 9000 is not between 0.1 and 2000 µm."],
])("%o waits until it can be read, and says why", (cells, words) =>
  expect([...read(typedWith([cells])).faults.values()]).toEqual([words]),
);

test("empty needle and spacing are not known, not nought", () => {
  const area = sent(typedWith([{ needle_um: "", spacing_um: "" }])).areas[0];
  expect([area?.needle_um, area?.spacing_um]).toEqual([null, null]);
});

test("a kept plan is typed again as it was", () => {
  const cells = { amount: "33", needle_um: "45", spacing_um: "600", open_cm2: "7" };
  const plan = sent(typedWith([cells]));
  const kept = { ...plan, version: 3, bath: "b", measured: [] } as unknown as Plan;
  expect(sent(typedPlan(LINES, kept)).areas).toEqual(plan.areas);
});

test("a measured line is sent with its conditions, one dip where none is told", () => {
  const shape = shapeOf("StripChange", measuredFields("lines"));
  const line = { seconds: "600", dips: "", depth_um: "", width_um: "95", needle_um: "" };
  const at = { temperature_c: 18, load_g_per_l: 4 };
  const found = readTyped(shape, { lines: [line] }, METRIC);
  const told = lineOf((found.body.lines as Typed[])[0] as Typed, at);
  expect(told).toMatchObject({ seconds: 600, dips: 1, width_um: 95, depth_um: null, ...at });
  expect(typedLine(told)).toEqual({ ...line, dips: "1" });
  const soon = readTyped(shape, { lines: [{ ...line, seconds: "soon" }] }, METRIC);
  expect([...soon.faults.values()]).toEqual(["Line 1, Bitten s: “soon” is not a number."]);
});
