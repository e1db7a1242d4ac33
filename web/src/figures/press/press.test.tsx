import { render, screen } from "@testing-library/react";
import type { Patch } from "../../api/editions";
import { Dial } from "./Dial";
import { dampFor } from "./PaperClock";
import { SheetTorn } from "./SheetTorn";
import { Stack } from "./Stack";
import { setWords, turnsOf } from "./turns";
import { wipeWords } from "./WipeMap";

test.each([
  [7, "1¾"],
  [4, "1"],
  [0, "0"],
  [1, "¼"],
  [-2, "−½"],
  [-5, "−1¼"],
  [8, "2"],
])("%i quarters are said as %s", (quarters, said) => {
  expect(turnsOf(quarters)).toBe(said);
});

test("a press is read by turns, by a gauge, or by the number of its gap", () => {
  expect(setWords(4, "turns")).toEqual(["1", "turn from contact"]);
  expect(setWords(7, "turns")).toEqual(["1¾", "turns from contact"]);
  expect(setWords(10, "gauge")).toEqual(["2½", "on the gauge"]);
  expect(setWords(3, "gap")).toEqual(["3", "number of the gap"]);
});

test("hours and minutes in the damp, never below nothing", () => {
  expect(dampFor(2885)).toBe("0:48");
  expect(dampFor(3 * 3600 + 60)).toBe("3:01");
  expect(dampFor(-5)).toBe("0:00");
});

const patch = (kind: Patch["kind"], name: string): Patch => ({
  kind,
  name,
  points: [
    [0, 0],
    [1, 0],
    [0, 1],
  ],
});

test("the wiping hand is told what to leave, what to clean, what to lift out", () => {
  const [leave, care] = wipeWords(
    [patch("leave", "the sky"), patch("bright", "the lamp"), patch("bright", "the path"), patch("whiting", "the spot")],
    ["gauze"],
  ); // biome-ignore format: one call
  expect(leave).toBe("Leave the sky.");
  expect(care).toBe("Clean the lamp and the path. Whiting on the spot.");
  expect(wipeWords([patch("leave", "")], [])).toEqual(["Leave the marked patch.", ""]);
  expect(wipeWords([], ["gauze", "hand"])).toEqual(["Gauze, then hand.", ""]);
  expect(wipeWords([], [])).toEqual(["Evenly all over, edges last.", ""]);
});

test("the dial and the stack say in words what they draw", () => {
  render(<Dial quarters={7} />);
  expect(screen.getByRole("img", { name: "1¾ turns" })).toBeVisible();
  render(<Stack blankets={["thin felt", "soft felt"]} side="felt side down" />);
  expect(
    screen.getByRole("img", {
      name: "From the bed up: plate, face up; paper, felt side down; tissue; thin felt; soft felt; roller",
    }),
  ).toBeVisible();
});

test.each([0, 3, 4, 11, 40])("a dial of %i quarters is drawn within its ring", (quarters) => {
  const { container } = render(<Dial quarters={quarters} />);
  const grip = container.querySelectorAll("circle")[1];
  const [x, y] = [Number(grip?.getAttribute("cx")), Number(grip?.getAttribute("cy"))];
  expect(Math.hypot(x - 82, y - 82)).toBeLessThanOrEqual(67);
});

test("a torn sheet shows its pieces, waste without a plate", () => {
  const piece = { x_mm: 0, y_mm: 0, width_mm: 200, height_mm: 300, waste: false };
  const { container } = render(
    <SheetTorn
      plate={[180, 130]}
      sheets={
        {
          pieces_per_sheet: 1,
          pieces: [piece, { ...piece, x_mm: 200, width_mm: 40, waste: true }],
        } as never
      }
    />,
  );
  expect(container.querySelectorAll(".fill-paper-edge")).toHaveLength(1);
  expect(container.querySelectorAll(".fill-paper-sunk")).toHaveLength(1);
});
