import type { Shapes } from "../../../api/client";
import { clock } from "../../../ui/times";

type Told = Shapes["CompareCurvesOutput"];
type Point = Told["line"][number];
const [WIDTH, HEIGHT, LEFT, BOTTOM] = [316, 232, 34, 24];
const TONES = [90, 80, 70, 60, 50, 40, 30, 20];
const TICKS = [20, 60, 240, 960, 2400];

type Props = { told: Told; moved: boolean; names: [string, string] };

/** Two curves: the first with its band, the second dashed; where it was bitten, dotted. */
export function BesideCurves({ told, moved, names }: Props) {
  const second = moved ? told.other_moved : told.other_as_bitten;
  const ends = [...told.line, ...told.other_as_bitten, ...told.other_moved].map((p) => p.seconds);
  const [start, last] = [Math.min(...ends), Math.max(...ends)];
  const x = (s: number) =>
    LEFT + ((WIDTH - LEFT - 6) * Math.log(s / start)) / Math.log(last / start);
  const y = (lstar: number) => ((HEIGHT - BOTTOM) * (98 - lstar)) / 84;
  const path = (points: Point[], pick: (point: Point) => number) =>
    points.map((p) => `${x(p.seconds).toFixed(1)} ${y(pick(p)).toFixed(1)}`);
  const band = [
    ...path(told.line, (p) => p.lstar_high),
    ...path(told.line, (p) => p.lstar_low).reverse(),
  ];
  const curve = (points: Point[]) => `M${path(points, (p) => p.lstar).join("L")}`;
  return (
    <figure className="mt-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full max-w-84 overflow-visible"
        role="img"
        aria-label={`L* against time: ${names.join(" and ")}${moved ? ", in one bath" : ", as bitten"}`}
      >
        <Axes x={x} y={y} ticks={TICKS.filter((t) => t > start && t < last)} />
        <path d={`M${band.join("L")}Z`} className="fill-line/35" />
        {moved ? (
          <path
            d={curve(told.other_as_bitten)}
            className="fill-none stroke-ink-3"
            strokeWidth="1.6"
            strokeDasharray="1.5 4"
          />
        ) : null}
        <path
          d={curve(second)}
          className="fill-none stroke-ink"
          strokeWidth="2.2"
          strokeDasharray="8 4"
        />
        <path d={curve(told.line)} className="fill-none stroke-ink" strokeWidth="2.2" />
      </svg>
      <figcaption className="note mt-2 grid gap-1">
        <Key name={names[0]} what="with its band" />
        <Key
          name={names[1]}
          what={moved ? `times ×${told.factor.toFixed(2)}; dotted: as bitten` : "as bitten"}
          dash="8 4"
        />
      </figcaption>
    </figure>
  );
}

function Key({ name, what, dash }: { name: string; what: string; dash?: string }) {
  return (
    <span className="flex items-center gap-2.5">
      <svg width="30" height="10" className="flex-none" aria-hidden="true">
        <path d="M0 5H30" className="stroke-ink" strokeWidth="2.2" strokeDasharray={dash} />
        <circle
          cx="15"
          cy="5"
          r="4"
          className={`stroke-ink ${dash ? "fill-paper" : "fill-ink"}`}
          strokeWidth="2"
        />
      </svg>
      <span>
        <b className="text-ink">{name}</b>, {what}
      </span>
    </span>
  );
}

type AxesProps = { x: (s: number) => number; y: (lstar: number) => number; ticks: number[] };

function Axes({ x, y, ticks }: AxesProps) {
  const low = HEIGHT - BOTTOM;
  return (
    <g className="num fill-ink-3 text-note">
      {TONES.map((lstar) => (
        <g key={lstar}>
          <path d={`M${LEFT} ${y(lstar)}H${WIDTH}`} className="stroke-hair" />
          <text x={LEFT - 8} y={y(lstar) + 4.5} textAnchor="end">
            {lstar}
          </text>
        </g>
      ))}
      <text x="0" y={y(97)}>
        L*
      </text>
      <path
        d={`M${LEFT} ${y(98)}V${low}H${WIDTH}`}
        className="fill-none stroke-ink"
        strokeWidth="1.6"
      />
      {ticks.map((seconds) => (
        <g key={seconds}>
          <path d={`M${x(seconds)} ${low}v5`} className="stroke-ink" />
          <text x={x(seconds)} y={low + 18} textAnchor="middle">
            {clock(seconds)}
          </text>
        </g>
      ))}
    </g>
  );
}
