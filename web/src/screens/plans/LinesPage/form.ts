import type { Bath } from "../../../api/baths";
import type { Plan, PlanArea, PlanIn } from "../../../api/plans";
import { newId } from "../../../run/device";
import { lineOf, type MeasuredForm, read, typedLine } from "../../../ui/MeasuredLines";

/** What is typed on the page of lines; numbers stay text until they are sent. */
export type GroupForm = {
  key: string;
  name: string;
  parts: string;
  goal: "depth" | "darkness";
  amount: string;
  needle: string;
  spacing: string;
  open: string;
};
export type LinesForm = {
  id: string;
  version: number;
  bath: string;
  strip: string;
  method: "stop-out" | "open-up";
  groups: GroupForm[];
  measured: MeasuredForm[];
};

const text = (value: number | null | undefined) => (value == null ? "" : String(value));

export function formOf(plan: Plan): LinesForm {
  return {
    id: plan.id,
    version: plan.version,
    bath: plan.bath,
    strip: plan.strip ?? "",
    method: plan.method as "stop-out",
    groups: plan.areas.map((area) => ({
      key: newId(),
      name: area.name,
      parts: area.parts,
      goal: area.darkness == null ? "depth" : "darkness",
      amount: area.darkness == null ? text(area.depth_um) : text(Math.round(area.darkness * 100)),
      needle: text(area.needle_um),
      spacing: text(area.spacing_um),
      open: text(area.open_cm2),
    })),
    measured: plan.measured.map(typedLine),
  };
}

const AT_20_C = { temperature_c: 20, load_g_per_l: 0 };
const FIRST: [string, string, string][] = [
  ["Fine", "18", "40"],
  ["Middle", "40", "50"],
  ["Strong", "80", "80"],
];

/** A first plan: three depths as they are usual, the needle measured, a wide spacing. */
export function firstForm(baths: Bath[], strip: string): LinesForm {
  return {
    id: newId(),
    version: 0,
    bath: baths[0]?.id ?? "",
    strip,
    method: "stop-out",
    groups: FIRST.map(([name, amount, needle]) => newGroup(name, amount, needle)),
    measured: [],
  };
}

export function newGroup(name: string, amount = "40", needle = "50"): GroupForm {
  return { key: newId(), name, parts: "", goal: "depth", amount, needle, spacing: "", open: "10" };
}

/** What is sent; null while something is still being typed. */
export function planIn(form: LinesForm): PlanIn | null {
  const areas = form.groups.map(areaOf);
  const measured = form.measured.map((line) => lineOf(line, AT_20_C));
  if (!form.bath || areas.length === 0 || areas.includes(null) || measured.includes(null)) {
    return null;
  }
  return {
    id: form.id,
    version: form.version,
    part: "lines",
    bath: form.bath,
    strip: form.strip || null,
    method: form.method,
    round_to_seconds: 5,
    areas: areas as PlanArea[],
    measured: measured as NonNullable<PlanIn["measured"]>,
  };
}

function areaOf(group: GroupForm): PlanArea | null {
  const [amount, needle, spacing, open] = [
    group.amount,
    group.needle,
    group.spacing,
    group.open,
  ].map(read);
  const numbers = [amount, needle, spacing, open].filter((n) => n !== undefined);
  if (amount === undefined || numbers.some(Number.isNaN) || !group.name.trim()) return null;
  return {
    name: group.name.trim(),
    parts: group.parts,
    lstar: null,
    depth_um: group.goal === "depth" ? amount : null,
    darkness: group.goal === "darkness" ? amount / 100 : null,
    needle_um: needle ?? null,
    spacing_um: spacing ?? null,
    open_cm2: open ?? 0,
  };
}
