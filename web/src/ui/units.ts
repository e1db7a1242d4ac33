import type { Me } from "../api/session";

/** The user's units, at the edge only: inside, everything is mm and °C. */

export type Units = Pick<Me, "length_unit" | "temperature_unit">;

export const temperatureUnit = (units: Units) => (units.temperature_unit === "F" ? "°F" : "°C");

export function shownTemperature(celsius: number, units: Units): string {
  return (units.temperature_unit === "F" ? celsius * 1.8 + 32 : celsius).toFixed(1);
}

export function readTemperature(value: number, units: Units): number {
  return units.temperature_unit === "F" ? (value - 32) / 1.8 : value;
}

export function shownLength(mm: number, units: Units): string {
  return units.length_unit === "in" ? (mm / 25.4).toFixed(2) : String(Math.round(mm * 10) / 10);
}

export function readLength(value: number, units: Units): number {
  return units.length_unit === "in" ? value * 25.4 : value;
}

/** How far apart lines lie, finely: hundredths of a millimetre, thousandths of an inch. */
export const shownApart = (um: number, units: Units): string =>
  units.length_unit === "in" ? (um / 25400).toFixed(3) : (um / 1000).toFixed(2);

/** A length of drawn line: metres, or feet. */
export const shownRun = (metres: number, units: Units): string =>
  units.length_unit === "in"
    ? `${(metres / 0.3048).toFixed(0)} ft`
    : `${metres.toFixed(metres < 10 ? 1 : 0)} m`;

const CM2_PER_IN2 = 6.4516;

export const areaUnit = (units: Units) => (units.length_unit === "in" ? "in²" : "cm²");

/** A surface; tenths where it is small. */
export function shownArea(cm2: number, units: Units): string {
  const shown = units.length_unit === "in" ? cm2 / CM2_PER_IN2 : cm2;
  return shown.toFixed(shown < 10 ? 1 : 0);
}
