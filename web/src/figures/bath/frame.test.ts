import type { BathPage } from "../../api/baths";
import { bathId, told } from "../../testing/server";
import { bandOf, frameOf, LEFT, pathOf, scaleOf, stepFor, stepsOf } from "./frame";
import { drawnVessel, PX_PER_MM } from "./vessel";

const page = told<BathPage>(`/baths/${bathId("Amber tray")}/page`);

test("time runs from the first thing known to the end of the forecast, today between", () => {
  const frame = frameOf(page, 800);
  expect(frame.x(page.line[0]?.at ?? "")).toBeCloseTo(LEFT);
  expect(frame.x(page.forecast.at(-1)?.at ?? "")).toBeLessThanOrEqual(800);
  const today = frame.x(page.now_seconds);
  expect(today).toBeGreaterThan(frame.x(page.checks[0]?.at ?? ""));
  expect(today).toBeLessThan(800);
});

test("a scale holds its ends, and more stands higher", () => {
  const { y, ticks } = scaleOf({ top: 10, bottom: 110 }, 0.83, 1.41, 0.2);
  expect(ticks[0]).toBeCloseTo(0.8);
  expect(ticks.at(-1)).toBeCloseTo(1.6);
  expect(y(1.6)).toBeCloseTo(10);
  expect(y(0.8)).toBeCloseTo(110);
});

test.each([0.3, 1.1, 4.7, 60, 400])("a span of %s gets at most five steps", (span) => {
  expect(span / stepFor(span)).toBeLessThanOrEqual(5);
});

test("paths go through their points, a band closes, a load keeps its height", () => {
  const points: [number, number][] = [
    [0, 1],
    [10, 5],
  ];
  expect(pathOf(points)).toBe("M0.0 1.0L10.0 5.0");
  expect(bandOf(points, points)).toMatch(/^M0\.0 1\.0L10\.0 5\.0L10\.0 5\.0L0\.0 1\.0Z$/);
  expect(stepsOf(points)).toBe("M0.0 1.0H10.0V5.0");
});

test("a vessel is drawn at true scale; one that nobody measured says so", () => {
  const drawn = drawnVessel(page.bath);
  expect(drawn).toMatchObject({ kind: "tray", measured: true });
  expect(drawn.wide).toBe(Math.round(400 * PX_PER_MM));
  // 4 L in 400 × 300 mm stand 33 mm high
  expect(drawn.deep).toBe(Math.round((4e6 / 120_000) * PX_PER_MM));
  const unknown = drawnVessel({ ...page.bath, width_mm: null, vessel: "bottle" });
  expect(unknown).toMatchObject({ kind: "bottle", measured: false });
});
