import { useEffect, useMemo, useRef } from "react";
import type { Small } from "../../api/studies";
import type { Labels } from "./labels";
import { LOOKS, type Look, paintMap, rgbOf } from "./paint";

type Props = {
  labels: Labels;
  states: readonly number[];
  /** As it lies on the plate; else as it prints. */
  mirrored: boolean;
  metal: string;
  night?: boolean;
  /** The pen that paints now: its colour rims what is painted. */
  pen?: string;
  rings?: Small[];
  marks?: Mark[];
  sizeMm: readonly [number, number];
  label: string;
};

/** A place on the plate as it lies, to look at. */
export type Mark = { key: string; x_mm: number; y_mm: number; r_mm: number; name: string };

/** What is covered, painted now and open, as it lies on the plate. */
export function StopOutMap(props: Props) {
  const { labels, states, mirrored, metal, night, pen, rings = [], marks = [], sizeMm } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const look = useMemo(() => lookOf(metal, night ?? false), [metal, night]);
  useEffect(() => {
    const brush = canvas.current?.getContext("2d");
    if (!brush) return;
    const rim = pen ? rgbOf(`--color-pen-${pen}`) : null;
    const under = night ? look.covered : look.open;
    brush.putImageData(paintMap(labels, states, look, rim, mirrored, under), 0, 0);
  }, [labels, states, look, pen, mirrored, night]);
  const [width, height] = sizeMm;
  const x = (mm: number) => (mirrored ? width - mm : mm);
  return (
    <div className="relative">
      <canvas
        ref={canvas}
        role="img"
        aria-label={props.label}
        width={labels.width}
        height={labels.height}
        className={`block h-auto w-full border-[1.5px] ${night ? "border-night-ink-2" : "border-ink"}`}
      />
      <svg
        viewBox={`0 0 ${width} ${height}`}
        aria-hidden="true"
        className="absolute inset-0 size-full"
      >
        {rings.map((ring) => (
          <Ring key={`${ring.x_mm} ${ring.y_mm}`} x={x(ring.x_mm)} y={ring.y_mm} r={width / 48} />
        ))}
        {marks.map((mark) => (
          <g
            key={mark.key}
            transform={`translate(${mirrored ? mark.x_mm : width - mark.x_mm} ${mark.y_mm})`}
          >
            <circle
              r={mark.r_mm}
              fill="none"
              stroke="var(--color-ferric-pale)"
              strokeWidth={width / 120}
            />
            <circle
              r={mark.r_mm}
              fill="none"
              stroke="var(--color-ferric-deep)"
              strokeWidth={width / 300}
            />
            <text
              y={-mark.r_mm - width / 100}
              textAnchor="middle"
              fontSize={width / 36}
              className="fill-white stroke-ink font-bold [paint-order:stroke]"
              strokeWidth={width / 200}
            >
              {mark.name}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}

function Ring({ x, y, r }: { x: number; y: number; r: number }) {
  return (
    <g fill="none">
      <circle cx={x} cy={y} r={r} stroke="var(--color-ink)" strokeWidth={r / 2.4} />
      <circle cx={x} cy={y} r={r} stroke="var(--color-white)" strokeWidth={r / 5} />
    </g>
  );
}

function lookOf(metal: string, night: boolean): Look {
  const [open, covered, now] = LOOKS[night ? "night" : metal] ?? LOOKS.copper ?? ["", "", ""];
  return { open: rgbOf(open), covered: rgbOf(covered), now: rgbOf(now), crayon: rgbOf(now) };
}
