import { screen, within } from "@testing-library/react";
import { rowsOf, show } from "../../../../testing/show";
import { Answer } from "./Answer";
import { named, rounded, written } from "./quantity";
import { columnsOf, factsOf, partsOf, seriesOf } from "./rows";
import { leadOf } from "./saying";

const MM = { length_unit: "mm", temperature_unit: "C" } as const;
const INCH = { length_unit: "in", temperature_unit: "F" } as const;

test.each([
  ["volume_l", 3.456, "3.46 L"],
  ["valid_to_seconds", 1000, "16:40"],
  ["run_mm", 25.4, "25.4 mm"],
  ["end_c", 18.04, "18 °C"],
  ["own_share", 0.923, "92.3 %"],
  ["chance", 0.5, "50 %"],
  ["factor", 1.2345, "1.23"],
  ["lines", 1234, "1234"],
  ["optimal", true, "yes"],
  ["days", null, "not known"],
  ["rate_um_per_min", 0.01234, "0.0123 µm/min"],
])("%s %s is read as %s", (key, value, text) => {
  expect(written(key, value, MM)).toBe(text);
});

test("whoever reads inches and °F reads an answer in them", () => {
  expect(written("run_mm", 25.4, INCH)).toBe("1 in");
  expect(written("end_c", 20, INCH)).toBe("68 °F");
  expect(written("used_cm2", 645.16, INCH)).toBe("100 in²");
  expect(written("bears", "From 1.6 mm up", INCH)).toBe("From 0.063 in up");
});

test.each([
  ["rate_um_per_min_low", "rate, low", "µm/min"],
  ["lstar", "lstar", "L*"],
  ["largest_rest_mm", "largest rest", "mm"],
  ["needed", "needed", ""],
])("the name %s is said as %s in %s", (key, label, unit) => {
  expect(named(key)).toEqual({ label, unit });
});

test("a number keeps three digits that tell", () => {
  expect([0, 1234.5, 12.345, 0.0123].map(rounded)).toEqual(["0", "1235", "12.3", "0.0123"]);
});

test("a sentence is filled; without one the answer's own title or first sentence leads", () => {
  const says = "{n:count} bites of {seconds:clocks}, ×{speed:2}, {rest:by} mm, {left:minutes}.";
  const answer = { n: [1, 2], seconds: [60, 95], speed: 1.234, rest: [25.4, 50.8], left: 90 };
  expect(leadOf(says, answer, MM).title).toBe(
    "2 bites of 1:00, 1:35, ×1.23, 25.4 × 50.8 mm, 1.5 h.",
  );
  expect(leadOf(says, answer, INCH).title).toContain("1 × 2 in");
  expect(leadOf("", { title: "It is Blue.", text: "Move it." }, MM)).toEqual({
    title: "It is Blue.",
    text: "Move it.",
  });
  expect(leadOf("", { text: "The lamp is weak. Expose ×1.2." }, MM)).toEqual({
    title: "The lamp is weak.",
    text: "Expose ×1.2.",
  });
  expect(leadOf("{days:0} d", { days: null }, MM).title).toBe("not known d");
});

const FORECAST = Array.from({ length: 6 }, (_, n) => ({
  minutes: n * 5,
  name: `at ${n}`,
  temperature_c: 20 - n,
  temperature_c_low: 19 - n,
  temperature_c_high: 21 - n,
}));

test("of rows that rise the one with a band is drawn; of few rows or none, nothing", () => {
  expect(seriesOf(FORECAST)).toEqual({
    x: "minutes",
    y: "temperature_c",
    low: "temperature_c_low",
    high: "temperature_c_high",
  });
  expect(seriesOf(FORECAST.slice(0, 4))).toBeNull();
  expect(seriesOf(FORECAST.map(({ name }) => ({ name })))).toBeNull();
  expect(seriesOf(FORECAST.map(() => ({ minutes: 3, lstar: 50 })))).toBeNull();
});

test("cells, facts and parts of an answer are told apart; what is handed on is not shown", () => {
  expect(
    columnsOf([
      { a: 1, tables: "x", deep: { b: 1 } },
      { a: null, c: "y" },
    ]),
  ).toEqual(["a", "c"]);
  expect(factsOf({ text: "x", n: 1, list: [1], curve: {} }, ["text"])).toEqual([["n", 1]]);
  expect(partsOf({ goal: { kind: "tone" }, curve: {}, list: [] })).toEqual([
    ["goal", { kind: "tone" }],
  ]);
});

test("an answer leads with its sentence; figures, rows, cautions follow, JSON is folded", () => {
  const answer = {
    end_c: 17,
    minutes: 95,
    forecast: FORECAST,
    warnings: [{ code: "cold", text: "Below 15 °C it hardly bites." }],
    pour: ["First water: 0.40 L", "Then acid"],
    grid: [1, 2, 3],
    own: { rate_um_per_min: 1.5 },
  };
  show(<Answer says="At the end {end_c:0} °C." answer={answer} />);
  expect(screen.getByRole("heading", { name: "At the end 17 °C.", level: 2 })).toBeVisible();
  expect(screen.getByText("95 min")).toBeVisible();
  expect(screen.getByText("Below 15 °C it hardly bites.")).toBeVisible();
  expect(
    screen.getByRole("img", { name: "forecast: temperature against minutes" }),
  ).toBeInTheDocument();
  const rows = rowsOf(screen.getByRole("table"));
  expect(rows).toHaveLength(FORECAST.length + 1);
  expect(screen.getByText("First water: 0.40 L")).toBeVisible();
  expect(screen.getByText("1, 2, 3")).toBeVisible();
  expect(screen.getByText("1.5 µm/min")).toBeVisible();
  const fold = screen.getByText("The same as JSON").closest("details") as HTMLElement;
  expect(fold).not.toHaveAttribute("open");
  expect(within(fold).getByText(/"end_c": 17/)).toBeInTheDocument();
});

test("of very many rows the first are told, and how many more there are", () => {
  const rows = Array.from({ length: 55 }, (_, n) => ({ place: n, lstar: 50 }));
  show(<Answer says="{rows:count} rows." answer={{ rows }} />);
  expect(rowsOf(screen.getByRole("table"))).toHaveLength(41);
  expect(screen.getByText("15 more rows stand in the JSON.")).toBeVisible();
});
