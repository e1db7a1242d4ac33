import { parseTime } from "../times";
import { parseNumber, plain } from "../numbers";
import { areaUnit, type Units } from "../units";
import type { Field, Kind } from "./shape";

/** How a kind of field is typed: its unit for this user, and the way there and back. */
type Measure = {
  unit: (field: Field, units: Units) => string;
  read: (text: string, field: Field, units: Units) => number | undefined;
  show: (value: number, units: Units) => number;
};

const isF = (units: Units) => units.temperature_unit === "F";
const isIn = (units: Units) => units.length_unit === "in";
const MM_PER_INCH = 25.4;
const CM2_PER_IN2 = 6.4516;

const scaled = (
  unit: Measure["unit"],
  inner: (value: number, units: Units) => number,
  show: Measure["show"],
): Measure => ({
  unit,
  read: (text, field, units) => {
    const typed = parseNumber(text, unit(field, units));
    return typed === undefined ? undefined : inner(typed, units);
  },
  show,
});

const PLAIN = scaled(
  (field) => field.unit ?? "",
  (value) => value,
  (value) => value,
);

const MEASURES: Partial<Record<Kind, Measure>> = {
  number: PLAIN,
  temperature: scaled(
    (_, units) => (isF(units) ? "°F" : "°C"),
    (value, units) => (isF(units) ? (value - 32) / 1.8 : value),
    (value, units) => (isF(units) ? value * 1.8 + 32 : value),
  ),
  length: scaled(
    (_, units) => units.length_unit,
    (value, units) => (isIn(units) ? value * MM_PER_INCH : value),
    (value, units) => (isIn(units) ? value / MM_PER_INCH : value),
  ),
  area: scaled(
    (_, units) => areaUnit(units),
    (value, units) => (isIn(units) ? value * CM2_PER_IN2 : value),
    (value, units) => (isIn(units) ? value / CM2_PER_IN2 : value),
  ),
  share: scaled(
    () => "%",
    (value) => value / 100,
    (value) => value * 100,
  ),
  time: {
    unit: () => "min:s",
    read: (text) => (text.trim() === "" ? undefined : (parseTime(text) ?? Number.NaN)),
    show: (value) => value,
  },
};

export const measureOf = (field: Field): Measure | undefined => MEASURES[field.kind];

export const unitOf = (field: Field, units: Units): string =>
  measureOf(field)?.unit(field, units) ?? "";

/** A kept number as it is typed in the user's units, to the digits that a hand would write. */
export function shownIn(field: Field, value: number, units: Units, digits = 2): string {
  const shown = measureOf(field)?.show(value, units) ?? value;
  return plain(Number(shown.toFixed(digits)));
}
