import { limitsIn } from "./limits";
import { readTyped } from "./read";
import {
  fieldAt,
  length,
  number,
  pick,
  type Shape,
  shapeOf,
  share,
  temperature,
  text,
  time,
  yes,
} from "./shape";

const METRIC = { length_unit: "mm", temperature_unit: "C" };
const IMPERIAL = { length_unit: "in", temperature_unit: "F" };

const BATH = shapeOf("BathIn", {
  name: text("Name"),
  mordant: pick("Mordant"),
  volume_l: number("Volume"),
  temperature_c: temperature("Temperature"),
  room_c: temperature("Room"),
  fumes_known: yes("Extraction is on"),
});
const good = {
  name: " Amber ",
  mordant: "copper-ferric",
  volume_l: "4,5",
  temperature_c: "18.5",
  room_c: "",
  fumes_known: true,
};
const said = (shape: Shape, typed: Record<string, unknown>, units = METRIC) => [
  ...readTyped(shape, typed, units).faults,
];

test("what is typed is read by its kind: comma and point, nothing as nothing, ticks as truth", () => {
  const { body, faults } = readTyped(BATH, good, METRIC);
  expect(faults.size).toBe(0);
  expect(body).toEqual({
    name: "Amber",
    mordant: "copper-ferric",
    volume_l: 4.5,
    temperature_c: 18.5,
    room_c: null,
    fumes_known: true,
  });
});

test("all faults at once, in words, with the limits of the API's schema", () => {
  const typed = { ...good, name: "", volume_l: "0", temperature_c: "180", room_c: "warm" };
  expect(said(BATH, typed)).toEqual([
    ["name", "Name: nothing is written yet."],
    ["volume_l", "Volume: 0 is not between 0.01 and 2000 L."],
    ["temperature_c", "Temperature: 180 is not between 0 and 60 °C."],
    ["room_c", "Room: “warm” is not a number."],
  ]);
});

test("°F are read as °C, and their limits told in °F", () => {
  expect(
    readTyped(BATH, { ...good, temperature_c: "65" }, IMPERIAL).body.temperature_c,
  ).toBeCloseTo(18.33, 2);
  expect(said(BATH, { ...good, temperature_c: "140" }, IMPERIAL)).toEqual([]);
  expect(said(BATH, { ...good, temperature_c: "180" }, IMPERIAL)).toEqual([
    ["temperature_c", "Temperature: 180 is not between 32 and 140 °F."],
  ]);
});

test("inches are read as mm, and their limits told in inches", () => {
  const plate = shapeOf("PlateIn", { width_mm: length("Width") });
  expect(readTyped(plate, { width_mm: "4" }, IMPERIAL).body.width_mm).toBeCloseTo(101.6);
  expect(said(plate, { width_mm: "100" }, IMPERIAL)).toEqual([
    ["width_mm", "Width: 100 is not between 0.39 and 98.43 in. Did you mean 3.94 in (100 mm)?"],
  ]);
});

test.each([
  ["3:45", 225],
  ["225 s", 225],
  ["3.75 min", 225],
  ["3m45", 225],
])("a time may be typed as %s", (typed, seconds) => {
  const shape = shapeOf("TimerIn", { seconds: time("Timer") });
  expect(readTyped(shape, { seconds: typed }, METRIC).body).toEqual({ seconds });
});

test("a time that is none, or too long, says so as a time", () => {
  const shape = shapeOf("StripIn", { "patches.*.seconds": time("Patch #, time in all") });
  expect(said(shape, { patches: [{ seconds: "soon" }, { seconds: "7:00:00" }] })).toEqual([
    ["patches.0.seconds", "Patch 1, time in all: “soon” is not a time: write 3:45 or 225 s."],
    ["patches.1.seconds", "Patch 2, time in all: 7:00:00 is not between 0:00 and 6:00:00."],
  ]);
});

test("per cent are sent as a share, and told in per cent", () => {
  const shape = shapeOf("BathChange", { rate_factor_spread: share("How sure, ±") });
  expect(readTyped(shape, { rate_factor_spread: "5" }, METRIC).body).toEqual({
    rate_factor_spread: 0.05,
  });
  expect(said(shape, { rate_factor_spread: "0.1" })).toEqual([
    ["rate_factor_spread", "How sure, ±: 0.1 is not between 0.5 and 100 %."],
  ]);
});

test("a row left empty is not sent, and where each row stands is known", () => {
  const shape = shapeOf(
    "StripIn",
    { "patches.*.lstar": number("Patch #, L*") },
    { patches: (row) => row.lstar === "" },
  );
  const patches = [{ lstar: "" }, { lstar: "40" }, { lstar: "" }, { lstar: "140" }];
  const read = readTyped(shape, { patches }, METRIC);
  expect(read.body.patches).toEqual([{ lstar: 40 }, { lstar: 140 }]);
  expect(read.rows.patches).toEqual([1, 3]);
  expect([...read.faults.keys()]).toEqual(["patches.3.lstar"]);
});

test("words past their length, and JSON that is none yet", () => {
  const shape: Shape = {
    fields: {
      note: { ...text("Note"), longest: 5 },
      stock: { kind: "json", label: "Stock" },
    },
  };
  expect(said(shape, { note: "too long", stock: "{" })).toEqual([
    ["note", "Note: at most 5 letters; this has 8."],
    ["stock", "Stock: this is not JSON yet."],
  ]);
  expect(readTyped(shape, { note: "", stock: '{"a":1}' }, METRIC).body).toEqual({
    note: "",
    stock: { a: 1 },
  });
});

test("what the shape does not name is sent as it is", () => {
  expect(readTyped(BATH, { ...good, id: "x" }, METRIC).body.id).toBe("x");
});

test.each([
  [{ low: 0 }, "at least 0"],
  [{ high: 9 }, "at most 9"],
  [{ low: 0, aboveLow: true }, "above 0"],
  [{ high: 1, belowHigh: true }, "below 1"],
  [{ low: 0, high: 1, aboveLow: true, belowHigh: true }, "above 0 and below 1"],
])("limits %o are told as %s", (limits, words) =>
  expect(limitsIn({ kind: "number", label: "X", ...limits }, METRIC)).toBe(words),
);

test("a field of a row knows its number", () => {
  const shape = shapeOf("StripIn", { "patches.*.lstar": number("Patch #, L*") });
  expect(fieldAt(shape, "patches.4.lstar")?.label).toBe("Patch 5, L*");
  expect(fieldAt(shape, "patches.4.nothing")).toBeUndefined();
});

test("out of its limits, what was probably meant is asked: a digit, another unit, another habit", () => {
  const size = shapeOf("PlateIn", { width_mm: length("Width"), name: text("Name") });
  const told = (typed: string, units = METRIC) => said(size, { name: "x", width_mm: typed }, units);
  expect(told("3200")).toEqual([
    ["width_mm", "Width: 3200 is not between 10 and 2500 mm. Did you mean 320 mm?"],
  ]);
  expect(told("9")).toEqual([
    ["width_mm", "Width: 9 is not between 10 and 2500 mm. Did you mean 90 mm (9 cm)?"],
  ]);
  expect(told("200", IMPERIAL)).toEqual([
    ["width_mm", "Width: 200 is not between 0.39 and 98.43 in. Did you mean 7.87 in (200 mm)?"],
  ]);
  expect(told("90000")[0]?.[1]).not.toContain("Did you mean");
  const warm = (typed: string, units = METRIC) =>
    said(BATH, { ...good, temperature_c: typed }, units)[0]?.[1];
  expect(warm("68")).toBe(
    "Temperature: 68 is not between 0 and 60 °C. Did you mean 20 °C (68 °F)?",
  );
  expect(warm("20", IMPERIAL)).toBe(
    "Temperature: 20 is not between 32 and 140 °F. Did you mean 68 °F (20 °C)?",
  );
  expect(warm("180")).toBe("Temperature: 180 is not between 0 and 60 °C.");
});
