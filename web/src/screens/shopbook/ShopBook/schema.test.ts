import { readTyped } from "../../../ui/form/read";
import type { SchemaNode } from "../../../api/calc";
import {
  bodyOf,
  firstValue,
  isOptional,
  resolved,
  shapeOfSchema,
  typedFirst,
  words,
} from "./schema";

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

const METRIC = { length_unit: "mm", temperature_unit: "C" };

test("a measure begins in the user's units and is read back as it was", () => {
  const root = {
    type: "object",
    properties: {
      width_mm: { type: "number", default: 254, unit: "mm" },
      bath_c: { type: "number", default: 20, unit: "°C" },
      area_cm2: { type: "number", default: 64.516, unit: "cm²" },
    },
  } as unknown as SchemaNode;
  const units = { length_unit: "in", temperature_unit: "F" };
  const typed = typedFirst(root, units);
  expect(typed).toEqual({ width_mm: "10", bath_c: "68", area_cm2: "10" });
  const { body } = readTyped(shapeOfSchema(root), typed, units);
  expect(body.width_mm).toBeCloseTo(254);
  expect(body.bath_c).toBeCloseTo(20);
  expect(body.area_cm2).toBeCloseTo(64.516);
});

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

test("its fields are a form's: limits, needs and rows from the schema", () => {
  const limited: SchemaNode = {
    type: "object",
    required: ["width_mm"],
    properties: {
      width_mm: { type: "number", minimum: 10, maximum: 20, unit: "mm" },
      parts: {
        type: "array",
        items: { type: "object", properties: { count: { type: "integer" } } },
      },
      free: { type: "object" },
    },
  };
  expect(shapeOfSchema(limited).fields).toMatchObject({
    width_mm: { kind: "length", label: "width", low: 10, high: 20, unit: "mm", needed: true },
    "parts.*.count": { kind: "number", label: "parts #, count", needed: false },
    free: { kind: "json", label: "free" },
  });
});

test("what is typed first and sent untouched is what the schema gave", () => {
  const typed = typedFirst(root, METRIC);
  expect(typed).toEqual({
    material: "copper",
    width_mm: "",
    angle: "45",
    stock: "",
    pieces: [{ baume: "" }],
    sure: "no",
  });
  const read = { ...typed, width_mm: null, angle: 45, stock: null, pieces: [{ baume: null }] };
  expect(bodyOf(root, read)).toEqual({
    material: "copper",
    width_mm: null,
    angle: 45,
    stock: null,
    pieces: [{ baume: null }],
    sure: false,
  });
});
