import type { Bath } from "../api/baths";
import type { Plan, PlanArea, PlanIn } from "../api/plans";
import { lineOf, measuredFields, typedLine } from "../ui/form/MeasuredLines";
import type { Typed } from "../ui/form/read";
import { pick, type Shape, shapeOf, area as surface, text, time } from "../ui/form/shape";
import type { Sent } from "../ui/form/useKeeping";
import { typedNumber } from "../ui/numbers";
import { clock } from "../ui/times";
import { begun } from "../ui/words";
import type { AreaRow, ProcessParts } from "./parts";

const AT_20_C = { temperature_c: 20, load_g_per_l: 0 };

/** What is typed of an area: its goal, or minutes by habit. */
export type Way = "goal" | "minutes";

/** A plan as it was read: its areas and lines still by their columns. */
export type PlanRead = {
  bath: string;
  strip: string;
  method: PlanIn["method"];
  way: Way;
  /** "yes" where it is for a new ground after a finished run. */
  anew: string;
  areas: Typed[];
  measured: Typed[];
};

export const newArea = (name: string, open_cm2: string, wish: Typed): AreaRow => ({
  name,
  parts: "",
  open_cm2,
  seconds: "",
  again: "",
  ...wish,
});

/** The shape of a process's plan: what all plans have, and its own wishes. */
export const planShape = ({ area, fields }: ProcessParts): Shape =>
  shapeOf("PlanIn", {
    bath: pick("Bath"),
    strip: pick("Strip"),
    method: pick("Method"),
    way: pick("Planned by"),
    anew: pick("For a new ground"),
    "areas.*.again": pick("Open again"),
    "areas.*.seconds": time(`${begun(area)} #, time in all`),
    "areas.*.name": text(`Name of ${area} #`),
    "areas.*.open_cm2": surface(`${begun(area)} #, surface`),
    ...fields,
    ...measuredFields("measured"),
  });

export function typedPlan(process: ProcessParts, plan: Plan): Typed {
  const timed = plan.areas.some((area) => area.seconds != null);
  return {
    way: timed ? "minutes" : "goal",
    anew: "",
    bath: plan.bath,
    strip: plan.strip ?? "",
    method: plan.method,
    areas: plan.areas.map((area) => ({
      name: area.name,
      parts: area.parts,
      open_cm2: typedNumber(area.open_cm2),
      again: plan.open_again.includes(area.name) ? "yes" : "",
      seconds: area.seconds == null ? "" : clock(area.seconds),
      ...process.typed(area),
      ...(timed ? goalOf(process, plan, area.name) : {}),
    })),
    measured: plan.measured.map(typedLine),
  };
}

export function firstPlan(
  process: ProcessParts,
  surfaceCm2: number,
  baths: Bath[],
  strips: { id: string; mordant: string }[],
): Typed {
  const bath = baths[0];
  const strip = strips.find((each) => each.mordant === bath?.mordant) ?? strips[0];
  return {
    bath: bath?.id ?? "",
    strip: strip?.id ?? "",
    method: process.method,
    way: "goal",
    anew: "",
    areas: process.first(surfaceCm2),
    measured: [],
  };
}

/** A plan as it is sent. */
export function planIn(process: ProcessParts, read: PlanRead, { id, version }: Sent): PlanIn {
  return {
    id,
    version,
    part: process.key,
    bath: read.bath,
    strip: read.strip || null,
    method: read.method,
    round_to_seconds: 5,
    anew: read.anew === "yes",
    open_again: read.anew === "yes" ? [] : openAgain(read),
    areas: read.areas.map((row) => areaIn(process, row, read.way)),
    measured: read.measured.map((row) => lineOf(row, AT_20_C)),
  };
}

/** What is ticked to be opened again after the bites that were made. */
const openAgain = (read: PlanRead): string[] =>
  read.areas.filter((row) => row.again === "yes").map((row) => String(row.name));

/** What an area that was given minutes will come to, typed as its goal. */
function goalOf(process: ProcessParts, plan: Plan, name: string): Typed {
  const found = plan.sheet.areas.find((each) => each.name === name)?.wanted;
  return found == null ? {} : process.typedGoal(found);
}

/** The time each area bites in all, as a plan has it: where one goes on from goals to minutes. */
export function minutesOf(plan: Plan, name: string): string {
  const bites = [...plan.sheet.plan.done, ...plan.sheet.plan.bites];
  const open = bites.filter((bite) => bite.areas.some((area) => area.name === name));
  const seconds = open.reduce((sum, bite) => sum + bite.seconds, 0);
  return seconds > 0 ? clock(seconds) : "";
}

const areaIn = (process: ProcessParts, row: Typed, way: Way): PlanArea => ({
  name: String(row.name),
  parts: String(row.parts ?? ""),
  open_cm2: (row.open_cm2 as number | null) ?? 0,
  ...process.read(row),
  ...(way === "minutes"
    ? {
        ...Object.fromEntries(process.goals.map((key) => [key, null])),
        seconds: row.seconds as number | null,
      }
    : { seconds: null }),
});
