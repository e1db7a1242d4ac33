import type { SchemaNode } from "../../../api/calc";

/** Reading a JSON Schema: references followed, "or null" told as optional. */

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
