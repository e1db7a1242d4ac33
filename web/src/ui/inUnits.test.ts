import { inUnits } from "./inUnits";

const IMPERIAL = { length_unit: "in", temperature_unit: "F" };
const METRIC = { length_unit: "mm", temperature_unit: "C" };

test.each([
  ["Never above 30 °C.", "Never above 86 °F."],
  ["Roll at 75 °C, two passes.", "Roll at 167 °F, two passes."],
  ["85 to 110 °C", "185 to 230 °F"],
  ["Blue stood at 18.5°C", "Blue stood at 65.3 °F"],
  ["Changed: width 200 → 210 mm.", "Changed: width 7.87 → 8.27 in."],
  ["zinc, 320 × 240 mm", "zinc, 12.6 × 9.45 in"],
  ["It lies 0.6 mm off.", "It lies 0.024 in off."],
  ["come to 240 cm²; it has 150 cm².", "come to 37.2 in²; it has 23.25 in²."],
  ["2.5 s a cm, 12 cm of edge", "2.5 s a cm, 4.72 in of edge"],
  ["grains under 6 mm² are joined", "grains under 0.009 in² are joined"],
  ["4.2 mW/cm² at 80 mm", "4.2 mW/cm² at 3.15 in"],
  ["bite 3 of 5, 2:35", "bite 3 of 5, 2:35"],
])("%s is said to whom reads inches and °F as %s", (said, told) => {
  expect(inUnits(said, IMPERIAL)).toBe(told);
  expect(inUnits(said, METRIC)).toBe(said);
});

test("each unit by itself", () => {
  const mixed = { length_unit: "mm", temperature_unit: "F" };
  expect(inUnits("200 mm at 20 °C", mixed)).toBe("200 mm at 68 °F");
});
