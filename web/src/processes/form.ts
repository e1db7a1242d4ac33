import type { Bath } from "../api/baths";
import type { Plan, PlanArea, PlanIn } from "../api/plans";
import { newId } from "../device/ids";
import { lineOf, read, typedLine } from "../ui/MeasuredLines";
import type { ProcessParts } from "./parts";
import type { AreaForm, PlanForm } from "./typed";

const AT_20_C = { temperature_c: 20, load_g_per_l: 0 };

export const asText = (value: number | null | undefined) => (value == null ? "" : String(value));

export function newArea(name: string, open: string, wish: AreaForm["wish"]): AreaForm {
  return { key: newId(), name, parts: "", open, wish };
}

export function formOf(process: ProcessParts, plan: Plan): PlanForm {
  return {
    id: plan.id,
    version: plan.version,
    bath: plan.bath,
    strip: plan.strip ?? "",
    method: plan.method,
    areas: plan.areas.map((area) => ({
      key: newId(),
      name: area.name,
      parts: area.parts,
      open: asText(area.open_cm2),
      wish: process.typed(area),
    })),
    measured: plan.measured.map(typedLine),
  };
}

export function firstForm(
  process: ProcessParts,
  surfaceCm2: number,
  baths: Bath[],
  strips: { id: string; mordant: string }[],
): PlanForm {
  const bath = baths[0];
  const strip = strips.find((each) => each.mordant === bath?.mordant) ?? strips[0];
  return {
    id: newId(),
    version: 0,
    bath: bath?.id ?? "",
    strip: strip?.id ?? "",
    method: process.method,
    areas: process.first(surfaceCm2),
    measured: [],
  };
}

/** What is sent; null while something is still being typed. */
export function planIn(process: ProcessParts, form: PlanForm): PlanIn | null {
  const areas = form.areas.map((area) => areaIn(process, area));
  const measured = form.measured.map((line) => lineOf(line, AT_20_C));
  const whole = areas.filter((area) => area !== null);
  const lines = measured.filter((line) => line !== null);
  const unread = whole.length < areas.length || lines.length < measured.length;
  if (!form.bath || areas.length === 0 || unread) return null;
  return {
    id: form.id,
    version: form.version,
    part: process.key,
    bath: form.bath,
    strip: form.strip || null,
    method: form.method,
    round_to_seconds: 5,
    areas: whole,
    measured: lines,
  };
}

function areaIn(process: ProcessParts, area: AreaForm): PlanArea | null {
  const wish = process.read(area.wish);
  const open = read(area.open);
  if (wish === null || Number.isNaN(open) || !area.name.trim()) return null;
  return { name: area.name.trim(), parts: area.parts, open_cm2: open ?? 0, ...wish };
}
