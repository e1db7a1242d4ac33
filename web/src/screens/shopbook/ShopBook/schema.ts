import type { SchemaNode } from "../../../api/calc";
import type { Typed } from "../../../ui/form/read";
import { type Field, limitsOf, type Shape } from "../../../ui/form/shape";
import { shownIn } from "../../../ui/form/units";
import type { Units } from "../../../ui/units";

/** Reading a JSON Schema: references followed, "or null" told as optional, its fields as a form's. */

export function resolved(node: SchemaNode, root: SchemaNode): SchemaNode {
  if (node.$ref) return resolved(root.$defs?.[node.$ref.split("/").at(-1) ?? ""] ?? {}, root);
  const real = node.anyOf?.filter((each) => each.type !== "null");
  if (real?.length) {
    const inner = resolved(real[0] as SchemaNode, root);
    return { ...inner, unit: node.unit ?? inner.unit };
  }
  return node;
}

export const isOptional = (node: SchemaNode) =>
  node.anyOf?.some((each) => each.type === "null") ?? false;

/** A first value: defaults, one row in a list, empty text where something must be typed. */
export function firstValue(node: SchemaNode, root: SchemaNode): unknown {
  if (node.default !== undefined) return node.default;
  if (isOptional(node)) return null;
  const real = resolved(node, root);
  if (real.const !== undefined) return real.const;
  if (real.enum) return real.enum[0];
  if (real.type === "object" && real.properties) {
    return Object.fromEntries(
      Object.entries(real.properties).map(([key, each]) => [key, firstValue(each, root)]),
    );
  }
  if (real.type === "object") return {};
  if (real.type === "array") return real.items ? [firstValue(real.items, root)] : [];
  if (real.type === "boolean") return false;
  return real.type === "string" ? "" : null;
}

/** A name as words: its unit goes into the field. */
export const words = (name: string) =>
  name.replace(/_(mm|um|cm2|l|c|g_per_l|seconds|degrees)$/, "").replaceAll("_", " ");

export type Part = "group" | "rows" | "field";

/** What a node is in the form: fields of its own, rows, or one field (as JSON where nothing fits). */
export function partOf(node: SchemaNode, root: SchemaNode): Part {
  const real = resolved(node, root);
  if (isOptional(node)) return "field";
  if (real.type === "object" && real.properties) return "group";
  return real.type === "array" && real.items ? "rows" : "field";
}

/** The fields of a schema by their paths. */
export function shapeOfSchema(root: SchemaNode): Shape {
  const fields: Shape["fields"] = {};
  const add = (node: SchemaNode, path: string, label: string, needed: boolean) => {
    const real = resolved(node, root);
    const part = partOf(node, root);
    if (part === "field") {
      fields[path] = { ...limitsOf(real), kind: kindOf(real), label, needed };
    } else if (part === "rows") {
      add(real.items as SchemaNode, `${path}.*`, `${label} #`, false);
    } else {
      for (const [key, each] of Object.entries(real.properties ?? {})) {
        const inRow = path.includes("*") ? `${label}, ` : "";
        const must = (real.required ?? []).includes(key) && !isOptional(each);
        add(each, path ? `${path}.${key}` : key, `${inRow}${words(key)}`, must);
      }
    }
  };
  add(root, "", "", false);
  return { fields };
}

function kindOf(real: SchemaNode): Field["kind"] {
  if (real.enum || real.type === "boolean") return "pick";
  if (real.type === "object" || real.type === "array") return "json";
  if (real.type === "string") return "text";
  return MEASURES[real.unit ?? ""] ?? "number";
}

/** Measures that are typed in the user's units. */
const MEASURES: Record<string, Field["kind"]> = {
  mm: "length",
  "°C": "temperature",
  "cm²": "area",
};

/** Digits after the point, at most, of a first value. */
const DIGITS = 6;

/** A value as it is typed: figures and JSON as text, yes and no as words. */
export function typedValue(
  value: unknown,
  node: SchemaNode,
  root: SchemaNode,
  units: Units,
): unknown {
  const real = resolved(node, root);
  const part = partOf(node, root);
  if (part === "group") {
    const held = (value ?? {}) as Typed;
    return Object.fromEntries(
      Object.entries(real.properties ?? {}).map(([key, each]) => [
        key,
        typedValue(held[key] ?? null, each, root, units),
      ]),
    );
  }
  if (part === "rows") {
    return ((value ?? []) as unknown[]).map((row) =>
      typedValue(row, real.items as SchemaNode, root, units),
    );
  }
  if (value === null || value === undefined) return "";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number")
    return shownIn({ kind: kindOf(real), label: "" }, value, units, DIGITS);
  if (typeof value === "string") return value;
  return Object.keys(value).length > 0 ? JSON.stringify(value) : "";
}

export const typedFirst = (root: SchemaNode, units: Units): Typed =>
  typedValue(firstValue(root, root), root, root, units) as Typed;

/** What is sent of what was read: yes and no as truth, what was left open as nothing. */
export function bodyOf(node: SchemaNode, read: unknown, root: SchemaNode = node): unknown {
  const real = resolved(node, root);
  const part = partOf(node, root);
  if (part === "group") {
    const held = read as Typed;
    return Object.fromEntries(
      Object.entries(real.properties ?? {}).map(([key, each]) => [
        key,
        bodyOf(each, held[key], root),
      ]),
    );
  }
  if (part === "rows") {
    return (read as unknown[]).map((row) => bodyOf(real.items as SchemaNode, row, root));
  }
  if (real.type === "boolean" && read !== "") return read === "yes";
  if (read === null && real.type === "object" && !isOptional(node)) return {};
  return read === "" && (isOptional(node) || real.type !== "string") ? null : read;
}
