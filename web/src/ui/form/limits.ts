import { clock } from "../times";
import type { Units } from "../units";
import type { Field } from "./shape";
import { shownIn, unitOf } from "./units";

/** Limits are given to this share of themselves, so that 140 °F is not hotter than 60 °C. */
const ROUNDING = 1e-9;

/** Whether a value is past the limits of its field. */
export function outside({ low, high, aboveLow, belowHigh }: Field, value: number): boolean {
  const slack = ROUNDING * Math.max(1, Math.abs(value));
  if (low !== undefined && (aboveLow ? value <= low : value < low - slack)) return true;
  return high !== undefined && (belowHigh ? value >= high : value > high + slack);
}

/** The limits of a field in the user's units: "between 0 and 60 °C". */
export function limitsIn(field: Field, units: Units): string {
  const unit = unitOf(field, units);
  const isTime = field.kind === "time";
  const say = (value: number) => (isTime ? clock(value) : shownIn(field, value, units));
  const after = unit && !isTime ? ` ${unit}` : "";
  const { low, high, aboveLow, belowHigh } = field;
  if (low === undefined && high === undefined) return "allowed";
  if (low === undefined) return `${belowHigh ? "below" : "at most"} ${say(high as number)}${after}`;
  if (high === undefined) return `${aboveLow ? "above" : "at least"} ${say(low)}${after}`;
  if (aboveLow)
    return `above ${say(low)} and ${belowHigh ? "below" : "at most"} ${say(high)}${after}`;
  return `between ${say(low)} and ${say(high)}${after}`;
}
