import { plain } from "../numbers";
import type { Units } from "../units";
import { outside } from "./limits";
import type { Field } from "./shape";
import { measureOf, shownIn, unitOf } from "./units";

/** What a hand may have meant: a digit too many, another unit; in the unit of the rules. */
type Guess = { value: number; typed?: string };

const CM = 10;
const INCH = 25.4;
const toC = (f: number) => (f - 32) / 1.8;

/** "Did you mean 320 mm?", where a value is out of its limits and something near it is not. */
export function likely(field: Field, value: number, units: Units): string {
  const typed = measureOf(field)?.show(value, units) ?? value;
  const meant = guesses(field, value, typed, units).find((each) => !outside(field, each.value));
  if (!meant) return "";
  const shown = shownIn(field, meant.value, units, field.kind === "temperature" ? 1 : 2);
  const whence = meant.typed ? ` (${plain(Number(typed.toFixed(2)))} ${meant.typed})` : "";
  return ` Did you mean ${shown} ${unitOf(field, units)}${whence}?`;
}

function guesses(field: Field, value: number, typed: number, units: Units): Guess[] {
  if (field.kind === "temperature")
    return units.temperature_unit === "F"
      ? [{ value: typed, typed: "°C" }]
      : [{ value: toC(typed), typed: "°F" }];
  if (field.kind !== "length") return [];
  const inches = units.length_unit === "in";
  const other: Guess = inches
    ? { value: typed, typed: "mm" }
    : { value: typed * INCH, typed: "in" };
  const small = field.low !== undefined && value < field.low;
  if (small) return inches ? [] : [{ value: typed * CM, typed: "cm" }, other];
  return inches ? [other, { value: value / 10 }] : [{ value: value / 10 }];
}
