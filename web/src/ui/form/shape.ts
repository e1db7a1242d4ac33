import inputs from "../../api/inputs.gen.json";
import type { SchemaNode } from "../../api/calc";

/** What a field of a form is: how it is read, and what it is called. */
export type Kind =
  | "text"
  | "number"
  | "time"
  | "temperature"
  | "length"
  | "area"
  | "share"
  | "yes"
  | "pick"
  | "json";

export type Limits = {
  low?: number;
  high?: number;
  /** Low or high itself is not allowed. */
  aboveLow?: boolean;
  belowHigh?: boolean;
  longest?: number;
  unit?: string;
};

export type Field = Limits & { kind: Kind; label: string; needed?: boolean };

/**
 * A form's shape: its fields by the paths of the API's body, a row's number as `*`. In the label of
 * a row's field, `#` is that number.
 */
export type Shape = {
  fields: Record<string, Field>;
  /** A row that counts as left empty is not sent. */
  empty?: Record<string, (row: Record<string, unknown>) => boolean>;
};

type Written = { kind: Kind; label: string; needed?: boolean; optional?: boolean };
const as =
  (kind: Kind) =>
  (
    label: string,
    more: Partial<Field> & { optional?: boolean } = {},
  ): Written & Partial<Field> => ({
    kind,
    label,
    ...more,
  });

export const text = as("text");
export const number = as("number");
export const time = as("time");
export const temperature = as("temperature");
export const length = as("length");
/** Typed in cm² or in². */
export const area = as("area");
/** Typed in per cent, sent as a share of one. */
export const share = as("share");
export const yes = as("yes");
export const pick = as("pick");

export type InputName = keyof typeof inputs;

/** A shape whose limits and needs come from the API's schema of that body. */
export function shapeOf(
  input: InputName,
  written: Record<string, Written & Partial<Field>>,
  empty?: Shape["empty"],
): Shape {
  const root = inputs[input] as SchemaNode;
  const fields = Object.entries(written).map(([path, { optional, ...field }]) => {
    const found = nodeAt(root, path);
    const needed = field.needed ?? (!optional && (found?.needed ?? false));
    return [path, { ...(found ? limitsOf(found.node) : {}), ...field, needed }];
  });
  return { fields: Object.fromEntries(fields), empty };
}

/** The shape of one row of a list in a body. */
export function rowShapeOf(
  input: InputName,
  list: string,
  written: Record<string, Written & Partial<Field>>,
): Shape {
  const under = `${list}.*.`;
  const named = Object.entries(written).map(([name, field]) => [under + name, field] as const);
  const { fields } = shapeOf(input, Object.fromEntries(named));
  const own = Object.entries(fields).map(([path, field]) => [path.slice(under.length), field]);
  return { fields: Object.fromEntries(own) };
}

/** The node of a schema at a path, and whether it must be sent. */
function nodeAt(root: SchemaNode, path: string): { node: SchemaNode; needed: boolean } | null {
  let node: SchemaNode | undefined = root;
  let needed = false;
  for (const part of path.split(".")) {
    const over: SchemaNode | undefined = node;
    node = part === "*" ? over?.items : over?.properties?.[part];
    needed = over?.required?.includes(part) ?? false;
    if (!node) return null;
  }
  return { node, needed };
}

export function limitsOf(node: SchemaNode): Limits {
  return {
    low: node.minimum ?? node.exclusiveMinimum,
    high: node.maximum ?? node.exclusiveMaximum,
    aboveLow: node.minimum === undefined && node.exclusiveMinimum !== undefined,
    belowHigh: node.maximum === undefined && node.exclusiveMaximum !== undefined,
    longest: node.maxLength,
    unit: node.unit,
  };
}

/** The field of a path: a row's number may stand where the shape says `*`. */
export function fieldAt(shape: Shape, path: string): Field | undefined {
  const found = shape.fields[path] ?? shape.fields[path.replaceAll(/\.\d+(?=\.|$)/g, ".*")];
  if (!found) return undefined;
  const row = /\.(\d+)(?=\.|$)/.exec(path)?.[1];
  return row === undefined
    ? found
    : { ...found, label: found.label.replace("#", String(Number(row) + 1)) };
}
