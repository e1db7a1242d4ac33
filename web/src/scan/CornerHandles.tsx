import { useRef } from "react";
import type { Point, Quad, Size } from "./Marked";

const NAMES = ["Top left", "Top right", "Bottom right", "Bottom left"];
const STEP = 0.004;
const LONG_STEP = 10;
const ARROWS: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

type Props = { picture: Size; quad: Quad; onMove: (quad: Quad) => void; of: string };

/** Four corners to drag, or to move by arrow keys; Shift goes ten times as far. */
export function CornerHandles({ picture, quad, onMove, of }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width_px: width, height_px: height } = picture;
  const put = (place: number, [x, y]: Point) => {
    const to: Point = [Math.max(0, Math.min(width, x)), Math.max(0, Math.min(height, y))];
    onMove(quad.map((each, i) => (i === place ? to : each)));
  };
  const drag = (place: number, event: React.PointerEvent) => {
    const box = frame.current?.getBoundingClientRect();
    if (!box || event.buttons === 0) return;
    const x = ((event.clientX - box.left) / box.width) * width;
    put(place, [x, ((event.clientY - box.top) / box.height) * height]);
  };
  const nudge = (place: number, event: React.KeyboardEvent) => {
    const way = ARROWS[event.key];
    const at = quad[place];
    if (!way || !at) return;
    event.preventDefault();
    event.stopPropagation();
    const far = STEP * Math.max(width, height) * (event.shiftKey ? LONG_STEP : 1);
    put(place, [at[0] + way[0] * far, at[1] + way[1] * far]);
  };
  return (
    <div ref={frame} className="absolute inset-0">
      {quad.map(([x, y], place) => (
        <button
          key={NAMES[place]}
          type="button"
          aria-label={`${NAMES[place]} corner of the ${of}: drag it, or move it by arrow keys`}
          className="absolute size-9 -translate-1/2 cursor-move touch-none rounded-full border-2 border-ink bg-paper-lift/60 before:absolute before:inset-1/2 before:size-1 before:-translate-1/2 before:bg-ink pointer-coarse:size-12"
          style={{ left: `${(100 * x) / width}%`, top: `${(100 * y) / height}%` }}
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={(event) => drag(place, event)}
          onKeyDown={(event) => nudge(place, event)}
        />
      ))}
    </div>
  );
}

/** Corners to begin with: an upright frame inside the picture. */
export const frameIn = ({ width_px: w, height_px: h }: Size): Quad => [
  [0.15 * w, 0.3 * h],
  [0.85 * w, 0.3 * h],
  [0.85 * w, 0.7 * h],
  [0.15 * w, 0.7 * h],
];
