import type { Impression, Wear } from "../../api/marks";
import { useWidth } from "../useWidth";

type Point = Wear["forecast"]["forecast"][number];
type Props = { wear: Wear; chosen: number | null; choose: (number: number) => void };

const HEIGHT = 250;
const SIDE = { left: 44, right: 14, top: 14, bottom: 30 };
const LEAST_ABOVE = 2;

/** Down is lighter than the OK: readings, what is expected, and where it is too pale. */
export function WearChart({ wear, chosen, choose }: Props) {
  const [ref, width] = useWidth(560);
  const { forecast, tolerance_lstar: tolerance, ok_impression: ok, state } = wear;
  const points = forecast.forecast;
  const okTone = points[ok - 1]?.lstar ?? points[0]?.lstar ?? 0;
  const last = Math.max(points.length, forecast.again?.forecast.at(-1)?.impression ?? 0);
  const lightest =
    Math.max(tolerance + LEAST_ABOVE, ...points.map((each) => each.lstar - okTone)) + 1;
  const darkest = Math.min(-1, ...read(state.impressions).map((l) => l - okTone)) - 0.5;
  const x = linear([0.5, last + 0.5], [SIDE.left, Math.max(width, 200) - SIDE.right]);
  const y = linear([darkest, lightest], [SIDE.top, HEIGHT - SIDE.bottom]);
  const off = (lstar: number) => y(clamp(lstar - okTone, darkest, lightest));
  const curve = (rows: Point[]) => path(rows.map((p) => [x(p.impression), off(p.lstar)]));
  const edge = (end: "low" | "high") =>
    points.map((p): [number, number] => [x(p.impression), off(p[end])]);
  const band = `${path([...edge("low"), ...edge("high").reverse()])}Z`;
  return (
    <div ref={ref} className="min-w-0 overflow-x-auto">
      {width > 0 ? (
        <svg width={width} height={HEIGHT} role="img" aria-label={forecast.text} className="block">
          <Floor
            x={SIDE.left}
            y={y(tolerance)}
            width={width - SIDE.left - SIDE.right}
            low={HEIGHT - SIDE.bottom}
          />
          <rect
            x={x(forecast.low + 0.5)}
            y={y(tolerance) - 5}
            width={Math.max(3, x(Math.min(last, forecast.high) + 0.5) - x(forecast.low + 0.5))}
            height={10}
            className="fill-ferric-pale stroke-ferric-deep"
          />
          <path d={band} className="fill-paper-edge opacity-70" />
          <path d={curve(points)} className="fill-none stroke-ink" strokeWidth={2} />
          {forecast.again ? (
            <path
              d={curve(forecast.again.forecast)}
              className="fill-none stroke-copper-deep"
              strokeWidth={2}
              strokeDasharray="2 4"
            />
          ) : null}
          <Axes x={x} y={y} last={last} width={width} tolerance={tolerance} />
          <Readings rows={state.impressions} x={x} off={off} chosen={chosen} choose={choose} />
        </svg>
      ) : null}
    </div>
  );
}

/** A straight scale. */
const linear =
  ([a, b]: [number, number], [c, d]: [number, number]) =>
  (value: number) =>
    c + ((value - a) / (b - a)) * (d - c);

const path = (points: [number, number][]) =>
  points.map(([x, y], i) => `${i === 0 ? "M" : "L"}${x.toFixed(1)} ${y.toFixed(1)}`).join("");

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
const read = (rows: Impression[]) =>
  rows.flatMap((each) => (each.lstar === null ? [] : [each.lstar]));

type FloorProps = { x: number; y: number; width: number; low: number };

/** Past the tolerance. */
function Floor({ x, y, width, low }: FloorProps) {
  return (
    <>
      <defs>
        <pattern id="too-pale" width="7" height="7" patternUnits="userSpaceOnUse">
          <path d="M0 7 7 0" className="stroke-ink-3" strokeWidth="1" />
        </pattern>
      </defs>
      <rect
        x={x}
        y={y}
        width={Math.max(0, width)}
        height={Math.max(0, low - y)}
        fill="url(#too-pale)"
        className="opacity-45"
      />
      <path d={`M${x} ${y}h${Math.max(0, width)}`} className="stroke-ink" strokeWidth={1.5} />
    </>
  );
}

type Scale = (value: number) => number;
type AxesProps = { x: Scale; y: Scale; last: number; width: number; tolerance: number };

function Axes({ x, y, last, width, tolerance }: AxesProps) {
  const step = last > 60 ? 20 : last > 24 ? 5 : last > 12 ? 2 : 1;
  const numbers = Array.from({ length: last }, (_, i) => i + 1).filter(
    (n) => n === 1 || n % step === 0,
  );
  return (
    <>
      <path
        d={`M${SIDE.left} ${y(0)}H${width - SIDE.right}`}
        className="stroke-copper-deep"
        strokeDasharray="5 3"
      />
      <text
        x={SIDE.left - 6}
        y={y(0) + 4}
        textAnchor="end"
        className="fill-copper-deep text-note font-bold"
      >
        OK
      </text>
      <text
        x={SIDE.left - 6}
        y={y(tolerance) + 4}
        textAnchor="end"
        className="num fill-ink-2 text-note"
      >
        +{tolerance}
      </text>
      {numbers.map((n) => (
        <text
          key={n}
          x={x(n)}
          y={HEIGHT - 10}
          textAnchor="middle"
          className="num fill-ink-2 text-note"
        >
          {n}
        </text>
      ))}
    </>
  );
}

type ReadingsProps = {
  rows: Impression[];
  x: Scale;
  off: Scale;
  chosen: number | null;
  choose: (number: number) => void;
};

/** Black dots were read; a cross is a spoiled one: it counts as wear. */
function Readings({ rows, x, off, chosen, choose }: ReadingsProps) {
  return (
    <>
      {rows.map((each) => {
        const cx = x(each.number);
        const cy = each.lstar === null ? HEIGHT - SIDE.bottom - 6 : off(each.lstar);
        return (
          <g key={each.event} onPointerDown={() => choose(each.number)}>
            {each.number === chosen ? (
              <circle cx={cx} cy={cy} r={10} className="fill-none stroke-ink" strokeWidth={2} />
            ) : null}
            {each.spoiled ? (
              <path
                d={`M${cx - 5} ${cy - 5}l10 10m0 -10l-10 10`}
                className="stroke-ink"
                strokeWidth={2}
              />
            ) : each.lstar === null ? (
              <circle cx={cx} cy={cy} r={4} className="fill-paper-lift stroke-ink" />
            ) : (
              <circle cx={cx} cy={cy} r={5} className="fill-ink" />
            )}
          </g>
        );
      })}
    </>
  );
}
