import { columnWidths, depthOf, timeOf } from "../figures/bite/model";
import { clock, parseTime, roman } from "./times";

test.each([
  ["3:45", 225],
  ["3.5 min", 210],
  ["225 s", 225],
  ["225", 225],
  ["3m45", 225],
  ["1:02:03", 3723],
  ["3:99", null],
  ["soon", null],
])("%s is %s seconds", (text, seconds) => {
  expect(parseTime(text)).toBe(seconds);
});

test("times are m:ss up to 99:59, then h:mm:ss", () => {
  expect([clock(5), clock(225), clock(5999), clock(6000)]).toEqual([
    "0:05",
    "3:45",
    "99:59",
    "1:40:00",
  ]);
});

test("states are Roman", () => {
  expect([1, 4, 9, 14].map(roman)).toEqual(["I", "IV", "IX", "XIV"]);
});

test("columns fill the width, and none is too narrow to read", () => {
  const widths = columnWidths([0.02, 0.08, 0.9], 600, 48);
  expect(widths.reduce((a, b) => a + b)).toBeCloseTo(600);
  expect(Math.min(...widths)).toBeGreaterThanOrEqual(48);
});

test.each([true, false])("depth and time go there and back (even: %s)", (even) => {
  expect(timeOf(depthOf(130, 900, 300, even), 900, 300, even)).toBeCloseTo(130);
});
