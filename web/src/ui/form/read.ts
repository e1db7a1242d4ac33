import type { Units } from "../units";
import { likely } from "./likely";
import { limitsIn, outside } from "./limits";
import { type Field, fieldAt, type Shape } from "./shape";
import { measureOf } from "./units";

/** What is typed: texts, ticks, and rows of them, by the names of the API's body. */
export type Typed = { [name: string]: unknown };
export type Read = {
  body: Typed;
  /** What is wrong, in words, by the path of its field. */
  faults: Map<string, string>;
  /** Where a row of the body stands in the form. */
  rows: Record<string, number[]>;
};

/** Read all that is typed, and say all that is wrong with it. */
export function readTyped(shape: Shape, typed: Typed, units: Units): Read {
  const found: Read = { body: {}, faults: new Map(), rows: {} };
  found.body = group(shape, typed, "", units, found);
  return found;
}

function group(shape: Shape, typed: Typed, at: string, units: Units, found: Read): Typed {
  const body: Typed = {};
  for (const [name, value] of Object.entries(typed)) {
    const path = at ? `${at}.${name}` : name;
    const field = fieldAt(shape, path);
    if (field) body[name] = readField(field, path, value, units, found.faults);
    else if (Array.isArray(value)) body[name] = rowsOf(shape, value, path, units, found);
    else if (isGroup(value)) body[name] = group(shape, value, path, units, found);
    else body[name] = value;
  }
  return body;
}

const isGroup = (value: unknown): value is Typed => typeof value === "object" && value !== null;

function rowsOf(shape: Shape, rows: unknown[], path: string, units: Units, found: Read): unknown[] {
  const skips = shape.empty?.[path] ?? (() => false);
  const kept = rows.flatMap((row, i) => (isGroup(row) && skips(row) ? [] : [i]));
  found.rows[path] = kept;
  return kept.map((i) => {
    const row = rows[i];
    const here = `${path}.${i}`;
    const field = fieldAt(shape, here);
    if (field) return readField(field, here, row, units, found.faults);
    return isGroup(row) ? group(shape, row, here, units, found) : row;
  });
}

function readField(
  field: Field,
  path: string,
  value: unknown,
  units: Units,
  faults: Map<string, string>,
): unknown {
  const fault = (words: string) => faults.set(path, `${field.label}: ${words}`);
  if (field.kind === "yes") return value === true;
  const typed = String(value ?? "");
  if (typed.trim() === "" && field.needed)
    fault(`nothing is ${field.kind === "pick" ? "chosen" : "written"} yet.`);
  const measure = measureOf(field);
  if (!measure) return words(field, typed, fault);
  const number = measure.read(typed, field, units);
  if (number === undefined) return null;
  if (Number.isNaN(number)) {
    fault(
      `“${typed}” is not ${field.kind === "time" ? "a time: write 3:45 or 225 s" : "a number"}.`,
    );
    return null;
  }
  if (outside(field, number))
    fault(`${typed} is not ${limitsIn(field, units)}.${likely(field, number, units)}`);
  return number;
}

function words(field: Field, typed: string, fault: (words: string) => void): unknown {
  if (field.kind === "json") return parsed(typed, fault);
  const text = typed.trim();
  const { longest } = field;
  if (longest && text.length > longest)
    fault(`at most ${longest} letters; this has ${text.length}.`);
  return text;
}

function parsed(typed: string, fault: (words: string) => void): unknown {
  if (typed.trim() === "") return null;
  try {
    return JSON.parse(typed);
  } catch {
    fault("this is not JSON yet.");
    return null;
  }
}
