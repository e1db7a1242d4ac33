import type { Bath } from "../../../api/baths";
import type { Plan, PlanArea, PlanIn } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import type { Shapes } from "../../../api/client";
import { newId } from "../../../run/device";
import { interpolate } from "../../../run/sheet";

/** What is typed on the plan page; numbers stay text until they are sent, so that nothing is lost. */
export type AreaForm = { key: string; name: string; parts: string; lstar: string; open: string };
export type PlanForm = {
  id: string;
  version: number;
  bath: string;
  strip: string;
  method: "stop-out" | "open-up";
  areas: AreaForm[];
};

const EVEN_TONES = [84, 68, 52, 37, 25];

export function formOf(plan: Plan): PlanForm {
  return {
    id: plan.id,
    version: plan.version,
    bath: plan.bath,
    strip: plan.strip ?? "",
    method: plan.method as "stop-out",
    areas: plan.areas.map((area) => ({
      key: newId(),
      name: area.name,
      parts: area.parts ?? "",
      lstar: area.lstar == null ? "" : String(area.lstar),
      open: String(area.open_cm2),
    })),
  };
}

/** A first plan: paper and five tones in even steps, the plate shared evenly among them. */
export function firstForm(plate: Plate, baths: Bath[], strips: Shapes["StripCard"][]): PlanForm {
  const bath = baths[0];
  const strip = strips.find((each) => each.mordant === bath?.mordant) ?? strips[0];
  const share = ((plate.width_mm * plate.height_mm) / 100 / (EVEN_TONES.length + 1)).toFixed(0);
  const area = (name: string, lstar: string): AreaForm => ({
    key: newId(),
    name,
    parts: "",
    lstar,
    open: share,
  });
  return {
    id: newId(),
    version: 0,
    bath: bath?.id ?? "",
    strip: strip?.id ?? "",
    method: "stop-out",
    areas: [area("Paper", ""), ...EVEN_TONES.map((tone, i) => area(`Tone ${i + 1}`, String(tone)))],
  };
}

/** What is sent; null while a number is still being typed. */
export function planIn(form: PlanForm): PlanIn | null {
  const areas: PlanArea[] = [];
  for (const area of form.areas) {
    const lstar = area.lstar.trim() === "" ? null : Number(area.lstar.replace(",", "."));
    const open = Number(area.open.replace(",", "."));
    if (Number.isNaN(lstar) || Number.isNaN(open) || !area.name.trim()) return null;
    areas.push({ name: area.name.trim(), parts: area.parts, lstar, open_cm2: open });
  }
  if (!form.bath || areas.length === 0) return null;
  return {
    id: form.id,
    version: form.version,
    bath: form.bath,
    strip: form.strip || null,
    part: "tones",
    method: form.method,
    round_to_seconds: 5,
    areas,
    measured: [],
  };
}

/** The tone an area prints when its floor is pulled to a time: looked up in the server's table. */
export function toneForFloor(plan: Plan, seconds: number): number {
  const area = plan.sheet.areas[0];
  if (!area) return 50;
  const tone = interpolate(seconds, plan.sheet.grid_reference_seconds, area.lstar);
  return Math.round(tone * 2) / 2;
}
