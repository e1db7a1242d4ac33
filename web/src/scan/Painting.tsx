import { useState } from "react";
import type { Shapes } from "../api/client";
import { Button } from "../ui/Button";
import { Segments } from "../ui/Segments";
import { shownLength } from "../ui/units";
import { useUser } from "../ui/useUser";

export type Stroke = Shapes["Painted"];
export type Mm = { width: number; height: number };
type Props = {
  /** The proof laid straight: across it lie its millimetres. */
  src: string;
  mm: Mm;
  strokes: Stroke[];
  setStrokes: (strokes: Stroke[]) => void;
  busy: boolean;
  read: () => void;
  close: () => void;
};

const SIZES = [
  ["2", "Fine"],
  ["5", "Middle"],
  ["12", "Broad"],
] as const;
const STEP_MM = 1;
const LONG_STEP = 10;
const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Paint over what is not to count: a blot, a finger, a fold. By pointer, or by arrows and Space. */
export function Painting({ src, mm, strokes, setStrokes, busy, read, close }: Props) {
  const [size, setSize] = useState<(typeof SIZES)[number][0]>("5");
  return (
    <div className="grid gap-2">
      <p>
        Paint over what is not to count: a blot, a fold, a finger. Each area is read without it.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <Segments label="Brush" value={size} options={SIZES} onChange={setSize} />
        <Button
          look="quiet"
          disabled={strokes.length === 0}
          onClick={() => setStrokes(strokes.slice(0, -1))}
        >
          Take back the last stroke
        </Button>
      </div>
      <Canvas src={src} mm={mm} strokes={strokes} setStrokes={setStrokes} size={Number(size)} />
      <div className="flex flex-wrap items-center gap-3">
        <Button disabled={busy} onClick={read}>
          {strokes.length > 0 ? "Read it without these" : "Read all of it"}
        </Button>
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </div>
    </div>
  );
}

type CanvasProps = Pick<Props, "src" | "mm" | "strokes" | "setStrokes"> & { size: number };

function Canvas({ src, mm, strokes, setStrokes, size }: CanvasProps) {
  const { units } = useUser();
  const [at, setAt] = useState<[number, number]>([mm.width / 2, mm.height / 2]);
  const placeOf = (event: React.PointerEvent): [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    return [
      within(((event.clientX - box.left) / box.width) * mm.width, mm.width),
      within(((event.clientY - box.top) / box.height) * mm.height, mm.height),
    ];
  };
  const begin = (place: [number, number]) =>
    setStrokes([...strokes, { points_mm: [place], size_mm: size }]);
  const go = (place: [number, number]) => {
    const last = strokes.at(-1);
    if (last) setStrokes([...strokes.slice(0, -1), longer(last, place)]);
  };
  return (
    <div className="relative">
      <img
        src={src}
        alt="The proof laid straight"
        width={900}
        height={Math.round((900 * mm.height) / mm.width)}
        className="block h-auto w-full border-[1.5px] border-ink"
      />
      <button
        type="button"
        aria-label={`Brush at ${at.map((side) => shownLength(side, units)).join(", ")} ${units.length_unit}; ${strokes.length} strokes. Draw, or move it by arrow keys and press Space`}
        className="absolute inset-0 size-full cursor-crosshair touch-none"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setAt(placeOf(event));
          begin(placeOf(event));
        }}
        onPointerMove={(event) => event.buttons === 1 && go(placeOf(event))}
        onKeyDown={(event) => {
          if (event.key === " ") {
            event.preventDefault();
            begin(at);
          }
          const way = ARROWS[event.key];
          if (!way) return;
          event.preventDefault();
          const far = STEP_MM * (event.shiftKey ? LONG_STEP : 1);
          setAt([within(at[0] + way[0] * far, mm.width), within(at[1] + way[1] * far, mm.height)]);
        }}
      >
        <svg viewBox={`0 0 ${mm.width} ${mm.height}`} className="size-full" aria-hidden="true">
          {strokes.map((stroke, i) => (
            <polyline
              // biome-ignore lint/suspicious/noArrayIndexKey: strokes are only added and taken at the end
              key={i}
              points={pointsOf(stroke)}
              className="fill-none stroke-copper/70"
              strokeWidth={stroke.size_mm}
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          ))}
          <circle
            cx={at[0]}
            cy={at[1]}
            r={size / 2}
            className="fill-none stroke-copper-deep"
            strokeWidth="0.6"
          />
        </svg>
      </button>
    </div>
  );
}

const APART_MM = 0.5;
const MOST_POINTS = 2000;

/** A stroke drawn on: points nearer than half a millimetre say nothing new. */
function longer(stroke: Stroke, place: [number, number]): Stroke {
  const last = stroke.points_mm.at(-1) ?? place;
  const far = Math.hypot(place[0] - (last[0] ?? 0), place[1] - (last[1] ?? 0));
  if (far < APART_MM || stroke.points_mm.length >= MOST_POINTS) return stroke;
  return { ...stroke, points_mm: [...stroke.points_mm, place] };
}

/** A dab is a line of no length: its round ends are seen. */
const pointsOf = ({ points_mm }: Stroke) =>
  (points_mm.length === 1 ? [...points_mm, ...points_mm] : points_mm).join(" ");

const within = (value: number, most: number) =>
  Math.round(10 * Math.max(0, Math.min(most, value))) / 10;
