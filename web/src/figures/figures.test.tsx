import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { vi } from "vitest";
import type { Plan } from "../api/plans";
import type { Plate } from "../api/plates";
import type { Strip } from "../api/strips";
import { nowSeconds } from "../device/clock";
import { plateId, stripId, told } from "../testing/server";
import { BiteSection } from "./bite/BiteSection";
import { biteSection } from "./bite/model";
import { reachedIn } from "./bite/reachedNow";
import { varnish, wave } from "./bite/shapes";
import { grainTile } from "./grain";
import { PlateEdge } from "./PlateEdge";
import { TimeRuler } from "./TimeRuler";
import { fittedAt, isOut, ToneCurve } from "./ToneCurve";
import { ToneSign } from "./ToneSign";

const LANTERN = plateId("Lantern Row");
const plate = told<Plate>(`/plates/${LANTERN}`);
const plan = told<Plan>(`/plates/${LANTERN}/plan?part=tones`);
const section = biteSection(plan.areas, plan.sheet, true, "stop-out");
const numbers = (path: string) => path.match(/-?\d+(\.\d+)?/g)?.map(Number) ?? [];

test("the section says in words what it draws", () => {
  render(<BiteSection section={section} metal="copper" />);
  const words = screen.getByText(/^Bite section\./).textContent ?? "";
  for (const area of plan.areas) expect(words).toContain(area.name);
  expect(words).toMatch(/bite 5 \d+:\d\d\.$/);
});

test.each(["copper", "zinc"])("its metal is %s, hatched only where it is cut copper", (metal) => {
  const { container } = render(<BiteSection section={section} metal={metal} large even />);
  const fills = [...container.querySelectorAll("path")].map((each) => each.getAttribute("fill"));
  expect(fills.some((fill) => fill?.endsWith(`-${metal})`))).toBe(true);
  expect(fills.some((fill) => fill?.endsWith("-cut)"))).toBe(metal === "copper");
});

test("in the bath a wave stands at the depth reached; out of it there is none", () => {
  const reached = reachedIn(plate, plan);
  const waves = (by: typeof reached) => {
    const { container } = render(<BiteSection section={section} metal="copper" reached={by} />);
    return container.querySelectorAll("path.stroke-verdigris").length;
  };
  expect(waves(reached)).toBeGreaterThan(waves(null));
});

test("the depth reached grows with the clock and stops a little past its goal", () => {
  const reached = reachedIn(plate, plan);
  const { dip_seconds, lift_seconds } = plate.run as NonNullable<Plate["run"]>;
  const [dip, lift] = [dip_seconds as number, lift_seconds as number];
  const bite = plan.sheet.plan.bites[0]?.reference_seconds as number;
  const at = (seconds: number) => (reached?.(seconds) ?? 0) - (reached?.(dip) ?? 0);
  expect(at(dip - 60)).toBe(0);
  expect(at((dip + lift) / 2)).toBeCloseTo(bite / 2);
  expect(at(lift)).toBeCloseTo(bite);
  expect(at(lift + 3600)).toBeCloseTo(bite * 1.3);
  expect(reachedIn({ ...plate, run: null }, plan)).toBeNull();
});

test("floors are pulled by key and by pointer, whites are not", async () => {
  const onFloor = vi.fn();
  const onSelect = vi.fn();
  render(
    <BiteSection section={section} metal="copper" editing={{ selected: 2, onSelect, onFloor }} />,
  );
  const floors = screen.getAllByRole("slider");
  expect(floors).toHaveLength(plan.areas.length - 1);
  floors[1]?.focus();
  const now = Number(floors[1]?.getAttribute("aria-valuenow"));
  await userEvent.keyboard("{ArrowDown}{Shift>}{ArrowUp}{/Shift}");
  expect(onFloor.mock.calls.map(([place, to]) => [place, Math.round(to - now)])).toEqual([
    [2, 5],
    [2, -60],
  ]);
  expect(onSelect).toHaveBeenCalledWith(2);
  await userEvent.pointer([{ keys: "[MouseLeft>]", target: floors[0] as Element }]);
  expect(onSelect).toHaveBeenLastCalledWith(1);
});

test("a wave begins and ends where it is told, and stays within its height", () => {
  const path = numbers(wave(10, 60, 40, 3, 14));
  expect([path[0], path.at(-2)]).toEqual([10, 60]);
  const ys = path.filter((_, i) => i % 2 === 1);
  expect(Math.max(...ys) - Math.min(...ys)).toBeLessThanOrEqual(6);
});

test("varnish closes on its floor, its top above it", () => {
  const path = varnish(0, 52, 100, 8);
  expect(path.endsWith("V100.0Z")).toBe(true);
  expect(Math.min(...numbers(path).filter((n) => n > 60))).toBeGreaterThan(88);
});

test.each([
  [50, 50],
  [51.2, 52],
  [3, 12],
  [99, 92],
])("L* %d is drawn with the grain tile of %d", (lstar, key) =>
  expect(grainTile(lstar)).toMatchObject({ key, href: expect.stringContaining(`grain-${key}`) }),
);

test.each([
  [0, 0],
  [3, 3],
  [5, 10],
  [9, 10],
])("tone %d has %d lines in its sign", (tone, lines) => {
  const { container } = render(<ToneSign tone={tone} />);
  expect(container.querySelectorAll("path")).toHaveLength(lines);
});

test.each(["copper", "zinc", "plastic", "polymer"])(
  "a plate of %s is as long as it is",
  (metal) => {
    const { container } = render(<PlateEdge metal={metal} longMm={200} />);
    expect(container.querySelector("svg")?.getAttribute("width")).toBe("66");
    expect(
      render(<PlateEdge metal={metal} longMm={900} />).container.querySelector("svg"),
    ).toHaveAttribute("width", "146");
  },
);

test("the ruler shows what falls due in two hours, and not what comes after", () => {
  const now = nowSeconds();
  const items = [
    { key: "a", at: now + 600, text: "lift Lantern Row" },
    { key: "b", at: now + 1200, text: "ground cooling", waits: true },
    { key: "c", at: now + 4 * 3600, text: "tomorrow" },
  ];
  render(<TimeRuler now={now} items={items} zone={[]} />);
  expect(screen.getByText("lift Lantern Row")).toBeInTheDocument();
  expect(screen.queryByText("tomorrow")).toBeNull();
  expect(screen.getAllByText(/^\d\d:\d\d$/).length).toBeGreaterThanOrEqual(4);
});

const strip = told<Strip>(`/strips/${stripId("Rosin last week")}`);

test("a curve marks each patch, the one chosen, and what is asked", () => {
  const asked = { lstar: 42, seconds: 411, low: 386, high: 445 };
  const { container } = render(<ToneCurve strip={strip} asked={asked} chosen={1} />);
  expect(screen.getByRole("img", { name: /^Curve of Rosin last week/ })).toBeInTheDocument();
  expect(container.querySelectorAll("circle")).toHaveLength(strip.readings.length + 1);
  expect(screen.getByText("6:51")).toBeInTheDocument();
});

test("a patch is out by hand or by the fit; only the fit's have a reason", () => {
  const readings = strip.readings.map((each, i) => ({ ...each, left_out: i === 0 }));
  const byHand = { ...strip, readings };
  expect([isOut(byHand, 0), isOut(byHand, 1), isOut(byHand, 99)]).toEqual([true, false, false]);
  expect(fittedAt(byHand, 0)).toBeNull();
  expect(fittedAt(strip, 1)?.fitted).toBeCloseTo(strip.readings[1]?.lstar as number, -1);
});
