import type { Bath } from "../../../api/baths";
import type { Plan, PlanArea, PlanIn } from "../../../api/plans";
import { newId } from "../../../run/device";

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
export type MeasuredForm = {
  key: string;
  seconds: string;
  dips: string;
  depth: string;
  width: string;
  needle: string;
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
    measured: plan.measured.map((line) => ({
      key: newId(),
      seconds: text(line.seconds),
      dips: text(line.dips),
      depth: text(line.depth_um),
      width: text(line.width_um),
      needle: text(line.needle_um),
    })),
  };
}

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

/** A number, undefined where the field is empty, NaN while it is still being typed. */
export function read(value: string): number | undefined {
  return value.trim() === "" ? undefined : Number(value.replace(",", "."));
}

/** What is sent; null while something is still being typed. */
export function planIn(form: LinesForm): PlanIn | null {
  const areas = form.groups.map(areaOf);
  const measured = form.measured.map(lineOf);
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

function lineOf(line: MeasuredForm) {
  const [seconds, dips, depth, width, needle] = [
    line.seconds,
    line.dips,
    line.depth,
    line.width,
    line.needle,
  ].map(read);
  if (seconds === undefined || Number.isNaN(seconds)) return null;
  if (depth === undefined && width === undefined) return null;
  return {
    seconds,
    dips: dips ?? 1,
    temperature_c: 20,
    load_g_per_l: 0,
    depth_um: depth ?? null,
    width_um: width ?? null,
    needle_um: needle ?? null,
  };
}
