import { columnWidths, depthOf, timeOf } from "../figures/bite/model";
import { clock, dayOf, momentOf, parseTime, roman, wallClock, weekdayOf, type Zone } from "./times";

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

const SPRING = Date.UTC(2026, 2, 29, 1) / 1000;
const QUAY: Zone = [
  { from_seconds: Date.UTC(2025, 9, 26, 1) / 1000, ahead_seconds: 0 },
  { from_seconds: SPRING, ahead_seconds: 3600 },
];

test.each([
  [SPRING - 1, "00:59", "Sun 29 Mar"],
  [SPRING, "02:00", "Sun 29 Mar"],
  [SPRING + 21 * 3600, "23:00", "Sun 29 Mar"],
  [SPRING + 22 * 3600, "00:00", "Mon 30 Mar"],
  // before the first shift that is told, as if it had always been so
  [Date.UTC(2001, 8, 2, 7, 5) / 1000, "07:05", "Sun 2 Sept"],
])("%s s is %s of %s in the room", (seconds, time, weekday) => {
  expect([wallClock(seconds, QUAY), weekdayOf(seconds, QUAY)]).toEqual([time, weekday]);
});

test("a day and a moment are the room's, a room behind UTC too", () => {
  const iso = "2026-07-01T02:30:00+00:00";
  const west: Zone = [{ from_seconds: 0, ahead_seconds: -14_400 }];
  expect([dayOf(iso, west), momentOf(iso, west)]).toEqual(["30 June", "30 June, 22:30"]);
});

test("a room whose shifts were never told is shown by the device's own clock", () => {
  const at = new Date(2026, 6, 1, 14, 5);
  expect(wallClock(at.getTime() / 1000, [])).toBe("14:05");
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
