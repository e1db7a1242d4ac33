import type { RunMap } from "../../api/studies";
import type { Labels } from "./labels";
import { paintMap, STATE } from "./paint";
import { crayonNow, statesOf } from "./states";

const WHITE = [255, 255, 255] as const;
const [OPEN, COVERED, NOW] = [[180, 103, 58] as const, [44, 34, 27] as const, [1, 2, 3] as const];
const LOOK = { open: OPEN, covered: COVERED, now: NOW, crayon: NOW };

/** A letter with a left and a right: a stem at the left, on a ground of another area. */
const letter = (): Labels => {
  const [width, height] = [60, 40];
  const of = new Uint8Array(width * height).fill(2);
  for (let y = 5; y < 35; y++) for (let x = 4; x < 18; x++) of[y * width + x] = 1;
  return { width, height, of };
};

beforeAll(() => {
  vi.stubGlobal(
    "ImageData",
    class {
      data: Uint8ClampedArray;
      constructor(
        readonly width: number,
        readonly height: number,
      ) {
        this.data = new Uint8ClampedArray(4 * width * height);
      }
    },
  );
});

const at = (image: ImageData, x: number, y: number) =>
  [...image.data.slice(4 * (y * image.width + x), 4 * (y * image.width + x) + 3)] as number[];
const paint = (
  states: number[],
  mirrored: boolean,
  rim: readonly [number, number, number] | null = null,
) => paintMap(letter(), states, LOOK, rim, mirrored, OPEN);

test("a letter lies mirrored on the plate and the right way round as it prints", () => {
  const states = [STATE.open, STATE.covered, STATE.open];
  const [laid, prints] = [paint(states, true), paint(states, false)];
  expect(at(prints, 6, 20)).toEqual(COVERED);
  expect(at(prints, 53, 20)).toEqual(OPEN);
  expect(at(laid, 53, 20)).toEqual(COVERED);
  expect(at(laid, 6, 20)).toEqual(OPEN);
});

test("what is covered now is striped and rimmed with its pen, crayon is speckled", () => {
  const now = paint([0, STATE.now, STATE.open], false, WHITE);
  expect(at(now, 4, 20)).toEqual(WHITE);
  const inside = Array.from({ length: 20 }, (_, i) => String(at(now, 11, 10 + i)));
  expect(new Set(inside)).toEqual(new Set([String(NOW), String(OPEN)]));
  const crayon = paint([0, STATE.open, STATE.crayon], false);
  const seen = Array.from({ length: 2000 }, (_, i) =>
    String(at(crayon, 19 + (i % 40), Math.floor(i / 50))),
  );
  const share = seen.filter((each) => each === String(NOW)).length / seen.length;
  expect(share).toBeGreaterThan(0.25);
  expect(share).toBeLessThan(0.75);
});

const MAP: RunMap = {
  picture: "/map",
  width_mm: 200,
  height_mm: 150,
  areas: [
    { name: "Paper", labels: [0, 1], graded_from: null, resist_label: "" },
    { name: "Tone 1", labels: [2], graded_from: null, resist_label: "" },
    { name: "Sky", labels: [3], graded_from: "Tone 1", resist_label: "crayon lightly" },
  ],
  islands: [],
  pens: ["white"],
};

test("what is covered now, open and covered before follows from the names of the areas", () => {
  const hands = { cover: ["Tone 1"], uncover: [], open: ["Sky"] };
  expect(statesOf(MAP, hands).slice(0, 4)).toEqual([0, 0, STATE.now, STATE.crayon]);
  expect(crayonNow(MAP, hands).map((each) => each.name)).toEqual(["Sky"]);
  const before = { cover: ["Paper"], uncover: [], open: ["Tone 1", "Sky"] };
  expect(statesOf(MAP, before).slice(0, 4)).toEqual([128, 128, 255, 255]);
  const opening = { cover: [], uncover: ["Tone 1"], open: ["Sky"] };
  expect(statesOf(MAP, opening).slice(0, 4)).toEqual([0, 0, 128, 255]);
});
