import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { clock } from "../../ui/times";
import type { Editing, Frame } from "./frame";
import { GOALS } from "./goals";
import { timeOf } from "./model";

const STEP_SECONDS = 5;
const LONG_STEP_SECONDS = 60;

/** Take an area's floor: by pointer, or with the arrow keys. */
export function Handles({
  frame,
  editing,
  even,
}: {
  frame: Frame;
  editing: Editing;
  even: boolean;
}) {
  return (
    <g>
      {frame.section.columns.map((column, i) =>
        column.wanted === null ? null : (
          <Handle key={column.name} frame={frame} editing={editing} even={even} place={i} />
        ),
      )}
    </g>
  );
}

function Handle({
  frame,
  editing,
  even,
  place,
}: {
  frame: Frame;
  editing: Editing;
  even: boolean;
  place: number;
}) {
  const column = frame.section.columns[place];
  const dragging = useRef(false);
  if (!column) return null;
  const floor = column.segments.at(-1)?.to ?? 0;
  const [x0, x1] = [frame.xs[place] as number, frame.xs[place + 1] as number];
  const y = frame.y(floor);
  const chosen = editing.selected === place;

  const drag = (event: PointerEvent<SVGGElement>) => {
    if (!dragging.current) return;
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (!box) return;
    const depth = event.clientY - box.top - frame.top;
    editing.onFloor(place, timeOf(depth, frame.section.deepest, frame.height, even));
  };
  const onKey = (event: KeyboardEvent<SVGGElement>) => {
    const across = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const down = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (across) {
      event.preventDefault();
      neighbour(event.currentTarget, across)?.focus();
    } else if (down) {
      event.preventDefault();
      editing.onFloor(place, floor + down * (event.shiftKey ? LONG_STEP_SECONDS : STEP_SECONDS));
    }
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${column.name}, floor`}
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={Math.round(frame.section.deepest * 2)}
      aria-valuenow={Math.round(floor)}
      aria-valuetext={`${clock(floor)} in all, ${GOALS[frame.section.goal.kind].says(column.expected)}`}
      className="cursor-ns-resize touch-none"
      onFocus={() => editing.onSelect(place)}
      onKeyDown={onKey}
      onPointerDown={(event) => {
        dragging.current = true;
        event.currentTarget.setPointerCapture(event.pointerId);
        editing.onSelect(place);
      }}
      onPointerMove={drag}
      onPointerUp={() => {
        dragging.current = false;
      }}
    >
      <rect x={x0} y={frame.top} width={x1 - x0} height={frame.height + 12} fill="transparent" />
      {chosen ? <Tag x={(x0 + x1) / 2} y={y} floor={floor} /> : null}
      {chosen ? null : (
        <path d={`M${(x0 + x1) / 2 - 9} ${y + 8}h18`} stroke="var(--color-ink)" strokeWidth="3" />
      )}
    </g>
  );
}

function neighbour(from: SVGGElement, way: number): SVGGElement | null {
  const all = [...(from.parentElement?.querySelectorAll<SVGGElement>("[role=slider]") ?? [])];
  return all[all.indexOf(from) + way] ?? null;
}

function Tag({ x, y, floor }: { x: number; y: number; floor: number }) {
  return (
    <g>
      <rect
        x={x - 45}
        y={y - 15}
        width="90"
        height="30"
        rx="2"
        fill="var(--color-paper-lift)"
        stroke="var(--color-ink)"
        strokeWidth="2.4"
      />
      <path
        d={`M${x - 34} ${y - 3}l5-6 5 6ZM${x - 34} ${y + 3}l5 6 5-6Z`}
        fill="var(--color-ink)"
      />
      <text className="num font-bold" x={x + 12} y={y + 6} textAnchor="middle" fontSize="17">
        {clock(floor)}
      </text>
    </g>
  );
}
