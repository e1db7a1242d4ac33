import type { Fault } from "../../api/client";
import { ApiError } from "../../api/client";
import { fieldAt, type Shape } from "./shape";

/** The server's faults: those of the form's own fields by path, and the rest in words. */
export type Placed = { at: Map<string, string>; rest: string };

/**
 * @param rows Where a row of what was sent stands in the form.
 * @param aliases Names of the body that are typed in a field of another name, by the row's path.
 */
export function placed(
  shape: Shape,
  error: unknown,
  rows: Record<string, number[]> = {},
  aliases: Record<string, string> = {},
): Placed {
  if (!(error instanceof ApiError))
    return { at: new Map(), rest: "Something went wrong. Try again." };
  if (error.status === 409) return { at: new Map(), rest: error.fault.text };
  const at = new Map<string, string>();
  const rest: string[] = [];
  for (const fault of error.faults) {
    const path = pathIn(shape, fault.field, rows, aliases);
    const field = path ? fieldAt(shape, path) : undefined;
    if (path && field) at.set(path, inWords(fault, field.label));
    else rest.push(inWords(fault, ""));
  }
  return { at, rest: rest.join(" ") };
}

/** The path of a field in the form: whole, or by the end of the server's. */
function pathIn(
  shape: Shape,
  field: string,
  rows: Record<string, number[]>,
  aliases: Record<string, string>,
): string | null {
  const parts = field.split(".").map((part) => aliases[part] ?? part);
  for (let from = 0; from < parts.length; from++) {
    const path = moved(parts.slice(from), rows).join(".");
    if (fieldAt(shape, path)) return path;
  }
  const last = parts.at(-1) ?? "";
  const whole = Object.keys(shape.fields).filter((each) => !each.includes("*"));
  return whole.find((each) => each.split(".").at(-1) === last) ?? null;
}

function moved(parts: string[], rows: Record<string, number[]>): string[] {
  return parts.map((part, i) => {
    const list = rows[parts.slice(0, i).join(".")];
    return list && /^\d+$/.test(part) ? String(list[Number(part)] ?? part) : part;
  });
}

/** A fault as it is read at its field: never a path. */
function inWords(fault: Fault, label: string): string {
  const said = fault.text.startsWith(`${fault.field}:`)
    ? fault.text.slice(fault.field.length + 1).trim()
    : fault.text;
  const name = label && !said.toLowerCase().startsWith(label.toLowerCase()) ? `${label}: ` : "";
  const limit = fault.allowed && !said.includes(fault.allowed) ? ` Allowed: ${fault.allowed}` : "";
  const unit = limit && fault.unit ? ` ${fault.unit}` : "";
  return `${name}${said}${limit}${unit}${limit ? "." : ""}`;
}
