import { useRef } from "react";
import type { Study } from "../../../api/studies";
import { grainTile } from "../../../figures/grain";
import { useWidth } from "../../../figures/useWidth";

type Props = {
  study: Study;
  handle: number;
  onHandle: (place: number) => void;
  onMove: (place: number, to: number) => void;
};

const [HEIGHT, TOP, BASE] = [132, 14, 92];
const [LEFT, RIGHT] = [14, 14];
const SMOOTH = 2;

/** The greys of the drawing, filled with the grain they become; the handles are where they are cut. */
export function Greys(props: Props) {
  const [ref, width] = useWidth(520);
  return (
    <div ref={ref} data-figure className="min-h-33">
      <div className="flex items-baseline justify-between gap-3">
        <h3>Greys of the drawing</h3>
        {props.study.out_of_reach > 0.01 ? (
          <span className="font-semibold text-ferric-deep">
            strip stops at {props.study.reach.darkest_lstar.toFixed(0)},{" "}
            {Math.round(100 * props.study.out_of_reach)} % is darker
          </span>
        ) : null}
      </div>
      {width > 0 ? <Drawn {...props} width={width} /> : null}
    </div>
  );
}

function Drawn({ study, handle, onHandle, onMove, width }: Props & { width: number }) {
  const svg = useRef<SVGSVGElement>(null);
  const { greys_from_lstar: dark, greys_to_lstar: light, cut } = study;
  const inner = width - LEFT - RIGHT;
  const x = (lstar: number) => LEFT + (inner * (light - lstar)) / Math.max(1, light - dark);
  const lstarAt = (px: number) => light - ((px - LEFT) / inner) * (light - dark);
  const heights = smoothed(study.greys);
  const most = Math.max(...heights, 1e-6);
  const steps = heights.length;
  const points = heights
    .map((share, i) => {
      const lstar = dark + ((i + 0.5) / steps) * (light - dark);
      return `${x(lstar)},${BASE - ((BASE - TOP) * share) / most}`;
    })
    .reverse();
  const outline = `${LEFT},${BASE} ${points.join(" ")} ${x(dark)},${BASE}`;
  const bounds = cut?.bounds_lstar ?? [];
  const edges = [light, ...bounds, dark];
  const lstarOf = (event: React.PointerEvent) =>
    lstarAt(event.clientX - (svg.current?.getBoundingClientRect().left ?? 0));
  const told = `Greys of the drawing, cut at L* ${bounds.map((b) => b.toFixed(0)).join(", ")}.`;
  return (
    <svg ref={svg} width={width} height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`}>
      <title>{told}</title>
      <defs>
        <clipPath id="greys">
          <polygon points={outline} />
        </clipPath>
        {cut?.tones_lstar.map((tone) => {
          const { key, href } = grainTile(tone);
          return (
            <pattern
              key={key}
              id={`greys-${key}`}
              width="180"
              height="180"
              patternUnits="userSpaceOnUse"
            >
              <image href={href} width="180" height="180" />
            </pattern>
          );
        })}
      </defs>
      <g clipPath="url(#greys)">
        {cut?.tones_lstar.map((tone, i) => (
          <rect
            key={tone}
            x={x(edges[i] as number)}
            y={0}
            width={Math.max(0, x(edges[i + 1] as number) - x(edges[i] as number))}
            height={BASE}
            fill={`url(#greys-${grainTile(tone).key})`}
          />
        ))}
      </g>
      <polyline points={outline} fill="none" stroke="var(--color-ink)" strokeWidth="1.5" />
      <path d={`M${LEFT} ${BASE}H${width - RIGHT}`} stroke="var(--color-ink)" strokeWidth="1.5" />
      {study.reach.darkest_lstar > dark + 1 ? (
        <path
          d={`M${x(study.reach.darkest_lstar)} 2V${BASE}`}
          stroke="var(--color-ferric-deep)"
          strokeWidth="2"
        />
      ) : null}
      {ticks(dark, light).map((tick) => (
        <text
          key={tick}
          x={x(tick)}
          y={HEIGHT - 6}
          textAnchor="middle"
          fontSize="13"
          className="num"
          fill="var(--color-ink-3)"
        >
          {tick}
        </text>
      ))}
      {bounds.map((bound, i) => (
        <Handle
          // biome-ignore lint/suspicious/noArrayIndexKey: a handle is its place in the row
          key={i}
          place={i}
          bound={bound}
          chosen={i === handle}
          limits={[dark, light]}
          x={x}
          at={lstarOf}
          onHandle={onHandle}
          onMove={onMove}
        />
      ))}
    </svg>
  );
}

type HandleProps = Pick<Props, "onHandle" | "onMove"> & {
  place: number;
  bound: number;
  chosen: boolean;
  limits: readonly [number, number];
  x: (lstar: number) => number;
  at: (event: React.PointerEvent) => number;
};

/** Where the greys are cut: pulled along the axis, moved by the page's keys. */
function Handle({ place, bound, chosen, limits, x, at, onHandle, onMove }: HandleProps) {
  return (
    <g>
      <path
        d={`M${x(bound)} ${BASE - 60}V${BASE}`}
        stroke="var(--color-copper-deep)"
        strokeWidth="1.5"
      />
      <path
        role="slider"
        tabIndex={0}
        aria-label={`Cut ${place + 1}, L*`}
        aria-valuemin={Math.round(limits[0])}
        aria-valuemax={Math.round(limits[1])}
        aria-valuenow={Math.round(bound * 10) / 10}
        d={`M${x(bound) - 8} ${BASE - 8}h16v9l-8 9l-8 -9z`}
        fill={chosen ? "var(--color-copper-deep)" : "var(--color-copper)"}
        stroke="var(--color-ink)"
        strokeWidth="1.5"
        className="cursor-ew-resize touch-none"
        onFocus={() => onHandle(place)}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          onHandle(place);
        }}
        onPointerUp={(event) => onMove(place, at(event))}
        onPointerMove={(event) => {
          if (event.buttons === 0) return;
          event.currentTarget.style.translate = `${x(at(event)) - x(bound)}px 0`;
        }}
        onLostPointerCapture={(event) => {
          event.currentTarget.style.translate = "";
        }}
      />
    </g>
  );
}

const ticks = (dark: number, light: number) =>
  Array.from({ length: 11 }, (_, i) => 100 - 10 * i).filter((t) => t >= dark && t <= light);

/** A few neighbours' mean: single levels are no hills. */
function smoothed(shares: number[]): number[] {
  return shares.map((_, i) => {
    const near = shares.slice(Math.max(0, i - SMOOTH), i + SMOOTH + 1);
    return Math.sqrt(near.reduce((sum, each) => sum + each, 0) / near.length);
  });
}
