import { useState } from "react";
import type { Edit, Study } from "../../../api/studies";
import { useSay } from "../../../ui/Toast";
import type { Changes } from "./useStudy";

type Point = [number, number];
export type Tool = "brush" | "lasso" | "grade";
export type Way = "left" | "right" | "up" | "down";
export type Resist = NonNullable<Edit["resist"]>;

const CLOSER_MM = 0.4;
const LEAST_CM2 = 0.05;
const BRUSHES_MM = [1.5, 2.5, 4, 6, 10, 16];

/** What is drawn over a study: strokes, and loops that wait for their tone. */
export function useDrawing(study: Study, changes: Changes) {
  const say = useSay();
  const [tool, setTool] = useState<Tool | null>(null);
  const [points, setPoints] = useState<Point[]>([]);
  const [pending, setPending] = useState(false);
  const [tone, setTone] = useState(0);
  const [width, setWidth] = useState(4);
  const tones = study.cut?.tones_lstar ?? [];
  const drop = () => {
    setPoints([]);
    setPending(false);
  };
  const take = (next: Tool) => {
    drop();
    setTool((now) => (now === next ? null : next));
  };
  const add = (edit: Edit) => {
    changes.change((now) => ({ edits: [...(now.edits ?? []), edit] }));
    drop();
  };
  /** The tone of a place in the row: 0 keeps white. */
  const lstarOf = (place: number) => (place === 0 ? null : (tones[place - 1] ?? null));
  const end = () => {
    if (tool === null || points.length === 0) return;
    if (tool === "brush") {
      add({ kind: "brush", points: [...points], width_mm: width, to_lstar: lstarOf(tone) });
    } else if (points.length < 3 || cm2Of(points) < LEAST_CM2) {
      drop();
      say({ text: "That loop closes on nothing. Draw round what shall change." });
    } else {
      setPending(true);
    }
  };
  return {
    ...{ tool, points, pending, tone, setTone, width, take, drop, end },
    cm2: pending ? cm2Of(points) : 0,
    begin: (at: Point) => {
      setPending(false);
      setPoints([at]);
    },
    go: (at: Point) =>
      setPoints((now) => {
        const last = now.at(-1);
        const near = last && Math.hypot(at[0] - last[0], at[1] - last[1]) < CLOSER_MM;
        return near || now.length === 0 || pending ? now : [...now, at];
      }),
    /** A loop becomes a tone; a brush takes it up. */
    make: (place: number) => {
      if (place > tones.length) return;
      if (pending && tool === "lasso") {
        add({ kind: "lasso", points: [...points], width_mm: width, to_lstar: lstarOf(place) });
      } else setTone(place);
    },
    grade: (from: number, to: number, resist: Resist, way: Way) =>
      add({
        kind: "grade",
        points: [...points],
        width_mm: width,
        from_lstar: tones[from] ?? null,
        to_lstar: tones[to] ?? null,
        resist,
        toward: across(points, way),
      }),
    wider: (by: number) =>
      setWidth((now) => {
        const at = BRUSHES_MM.indexOf(now) + by;
        return BRUSHES_MM[Math.min(BRUSHES_MM.length - 1, Math.max(0, at))] ?? now;
      }),
  };
}

export type Drawing = ReturnType<typeof useDrawing>;

function cm2Of(points: Point[]): number {
  const twice = points.reduce((sum, [x, y], i) => {
    const [nx, ny] = points[(i + 1) % points.length] as Point;
    return sum + x * ny - nx * y;
  }, 0);
  return Math.abs(twice) / 200;
}

/** From one side of a loop to the other: where the resist thins out. */
function across(points: Point[], way: Way): [Point, Point] {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const [mx, my] = [(left + right) / 2, (top + bottom) / 2];
  const ends: Record<Way, [Point, Point]> = {
    right: [
      [left, my],
      [right, my],
    ],
    left: [
      [right, my],
      [left, my],
    ],
    down: [
      [mx, top],
      [mx, bottom],
    ],
    up: [
      [mx, bottom],
      [mx, top],
    ],
  };
  return ends[way];
}
