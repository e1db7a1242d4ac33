import { inUnits } from "../../../../ui/inUnits";
import { clock } from "../../../../ui/times";
import type { Units } from "../../../../ui/units";

/** Endings of names that say a unit, the longest first. */
const ENDINGS: [string, string][] = [
  ["_um_per_min", "µm/min"],
  ["_mw_per_cm2", "mW/cm²"],
  ["_mj_per_cm2", "mJ/cm²"],
  ["_per_mm2", "per mm²"],
  ["_g_per_l", "g/L"],
  ["_seconds", "s"],
  ["_minutes", "min"],
  ["_hours", "h"],
  ["_degrees", "°"],
  ["_lstar", "L*"],
  ["_days", "d"],
  ["_cm2", "cm²"],
  ["_mm2", "mm²"],
  ["_mm", "mm"],
  ["_um", "µm"],
  ["_cm", "cm"],
  ["_px", "px"],
  ["_kj", "kJ"],
  ["_c", "°C"],
  ["_l", "L"],
  ["_g", "g"],
  ["_m", "m"],
];
const WHOLE: Record<string, string> = {
  seconds: "s",
  minutes: "min",
  lstar: "L*",
  mw_per_cm2: "mW/cm²",
  mj_per_cm2: "mJ/cm²",
};
const BETWEEN = /_(low|high|spread|bound)(?=$|_)/;
const SHARES = /(^|_)(share|shares|covered|chance|keeps|likeness)($|_)/;

/** A name in words, and the unit its ending tells. */
export function named(key: string): { label: string; unit: string } {
  if (WHOLE[key]) return { label: key.split("_")[0] as string, unit: WHOLE[key] };
  const more = BETWEEN.exec(key)?.[1] ?? "";
  const bare = key.replace(BETWEEN, "");
  const [ending, unit] = ENDINGS.find(([each]) => bare.endsWith(each)) ?? ["", ""];
  const words = (ending ? bare.slice(0, -ending.length) : bare).replaceAll("_", " ");
  const own = unit || WHOLE[bare] || "";
  return { label: more ? `${words}, ${more}` : words, unit: own };
}

/** A value as it is read: with its unit, in the reader's own; times as m:ss, shares in per cent. */
export function written(key: string, value: unknown, units: Units): string {
  if (value === null || value === undefined || value === "") return "not known";
  if (Array.isArray(value)) return value.map((each) => written(key, each, units)).join(", ");
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "string") return inUnits(value, units);
  if (typeof value !== "number") return String(value);
  const { unit } = named(key);
  if (unit === "s") return clock(value);
  if (!unit && SHARES.test(key) && value <= 1) return `${rounded(100 * value)} %`;
  if (turned(unit, units)) return inUnits(`${value.toFixed(4)} ${unit}`, units);
  return unit ? `${rounded(value)} ${unit}` : rounded(value);
}

/** Whether a unit is read in another one: then it is rounded after it is turned, not before. */
const turned = (unit: string, units: Units) =>
  (units.temperature_unit === "F" && unit === "°C") ||
  (units.length_unit === "in" && /^[mc]m²?$/.test(unit));

/** Three digits that tell, or all before the point. */
export function rounded(value: number): string {
  if (value === 0 || !Number.isFinite(value)) return String(value);
  const before = Math.floor(Math.log10(Math.abs(value))) + 1;
  return String(Number(value.toFixed(Math.max(0, Math.min(4, 3 - before)))));
}
