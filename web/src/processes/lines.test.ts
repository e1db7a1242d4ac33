import type { Bath } from "../api/baths";
import type { Plan } from "../api/plans";
import { lineOf, read } from "../ui/MeasuredLines";
import { firstForm, formOf, planIn as sentBy } from "./form";
import type { AreaForm, PlanForm } from "./typed";
import { LINES, newGroup } from "./lines";

const bath = { id: "b" } as Bath;
const planIn = (form: PlanForm) => sentBy(LINES, form);
type Typed = Record<string, string>;
/** A form with groups in which these cells were typed. */
const form = (groups: Typed[]): PlanForm => ({
  ...firstForm(LINES, 300, [bath], [{ id: "s", mordant: "zinc-nitric-10" }]),
  areas: groups.map(({ name, open, ...wish }): AreaForm => {
    const group = newGroup(name ?? "fine");
    return { ...group, open: open ?? group.open, wish: { ...group.wish, ...wish } };
  }),
});

test("a first plan has the three usual depths, and can be sent as it is", () => {
  const sent = planIn(firstForm(LINES, 300, [bath], []));
  expect(sent?.part).toBe("lines");
  expect(sent?.strip).toBeNull();
  expect(sent?.areas.map((area) => area.depth_um)).toEqual([18, 40, 80]);
});

test.each<[Typed, number | null, number | null]>([
  [{ amount: "35" }, 35, null],
  [{ amount: "70", goal: "darkness" }, null, 0.7],
  [{ amount: "12,5" }, 12.5, null],
])("%o is sent as a depth or as a darkness", (part, depth, darkness) => {
  const area = planIn(form([part]))?.areas[0];
  expect(area?.depth_um).toBe(depth);
  expect(area?.darkness).toBe(darkness);
});

test.each<[Typed]>([[{ amount: "" }], [{ amount: "4o" }], [{ name: " " }], [{ needle: "x" }]])(
  "%o waits until it can be read",
  (part) => expect(planIn(form([part]))).toBeNull(),
);

test("empty needle and spacing are not known, not nought", () => {
  const area = planIn(form([{ needle: "", spacing: "" }]))?.areas[0];
  expect([area?.needle_um, area?.spacing_um]).toEqual([null, null]);
});

test("a kept plan is typed again as it was", () => {
  const sent = planIn(form([{ amount: "33", needle: "45", spacing: "600", open: "7" }]));
  const kept = { ...sent, version: 3, bath: "b" } as unknown as Plan;
  expect(planIn({ ...formOf(LINES, kept), version: 0 })?.areas).toEqual(sent?.areas);
});

test("a measured line needs its time and a depth or a width", () => {
  const line = { key: "k", seconds: "600", dips: "2", depth: "", width: "95", needle: "" };
  const at = { temperature_c: 18, load_g_per_l: 4 };
  expect(lineOf(line, at)).toMatchObject({ seconds: 600, dips: 2, width_um: 95, ...at });
  expect(lineOf({ ...line, width: "" }, at)).toBeNull();
  expect(lineOf({ ...line, seconds: "soon" }, at)).toBeNull();
  expect([read(""), read("2,5")]).toEqual([undefined, 2.5]);
});
