import { inUnits } from "../../../../ui/inUnits";
import { clock } from "../../../../ui/times";
import type { Units } from "../../../../ui/units";
import { rounded } from "./quantity";

type Told = Record<string, unknown>;
export type Lead = { title: string; text: string };

/** The sentence that leads an answer, and what it says further. */
export function leadOf(says: string, answer: Told, units: Units): Lead {
  const text = typeof answer.text === "string" && !says ? answer.text : "";
  const title = says ? filled(says, answer) : typeof answer.title === "string" ? answer.title : "";
  if (title) return { title: inUnits(title, units), text: inUnits(text, units) };
  const [first = "", ...rest] = text.split(/(?<=[.:]) (?=[A-Z])/);
  return { title: inUnits(first, units), text: inUnits(rest.join(" "), units) };
}

/** A sentence with the fields of an answer in their places. */
function filled(says: string, answer: Told): string {
  const told = says.replace(/\{(\w+)(?::(\w+))?\}/g, (_, name, way = "") => put(answer[name], way));
  return told.trim();
}

const minutes = (value: number) =>
  value < 90 ? `${Math.round(value)} min` : `${(value / 60).toFixed(1)} h`;

const WAYS: Record<string, (value: unknown) => string> = {
  "": (value) => (typeof value === "number" ? rounded(value) : String(value)),
  clock: (value) => clock(Number(value)),
  clocks: (value) => (value as number[]).map((each) => clock(each)).join(", "),
  minutes: (value) => minutes(Number(value)),
  percent: (value) => `${rounded(100 * Number(value))} %`,
  count: (value) => String((value as unknown[]).length),
  by: (value) => (value as number[]).map(rounded).join(" × "),
};

function put(value: unknown, way: string): string {
  if (value === null || value === undefined) return "not known";
  const write = WAYS[way];
  return write ? write(value) : Number(value).toFixed(Number(way));
}
