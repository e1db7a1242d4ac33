import type { SchemaNode } from "../../../api/calc";
import { firstValue, isOptional, resolved, words } from "./schema";

const root: SchemaNode = {
  type: "object",
  properties: {
    material: { type: "string", enum: ["copper", "zinc"] },
    width_mm: { type: "number", unit: "mm" },
    angle: { type: "number", default: 45 },
    stock: { anyOf: [{ $ref: "#/$defs/Strength" }, { type: "null" }], unit: "°Bé" },
    pieces: { type: "array", items: { $ref: "#/$defs/Strength" } },
    sure: { type: "boolean" },
  },
  $defs: { Strength: { type: "object", properties: { baume: { type: "number" } } } },
};

test("references are followed and 'or null' is optional", () => {
  const stock = root.properties?.stock as SchemaNode;
  expect(resolved(stock, root).properties).toHaveProperty("baume");
  expect(resolved(stock, root).unit).toBe("°Bé");
  expect(isOptional(stock)).toBe(true);
  expect(isOptional(root.properties?.width_mm as SchemaNode)).toBe(false);
});

test("a form starts with defaults, one row a list, and nothing invented", () => {
  expect(firstValue(root, root)).toEqual({
    material: "copper",
    width_mm: null,
    angle: 45,
    stock: null,
    pieces: [{ baume: null }],
    sure: false,
  });
});

test.each([
  ["width_mm", "width"],
  ["load_g_per_l", "load"],
  ["may_turn", "may turn"],
])("%s is shown as %s", (name, shown) => expect(words(name)).toBe(shown));
