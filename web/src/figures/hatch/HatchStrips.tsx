import type { Hatch, HatchRow } from "../../api/marks";
import { shownApart, type Units } from "../../ui/units";
import { useWidth } from "../useWidth";
import { apart, apartScale, drawnWidth, linesOf } from "./scale";

const NAMES = ["one way", "crossed", "three ways"];
const LABEL_PX = 92;
const STRIP_PX = 44;
const LEAST_BETWEEN_PX = 30;
const MARKS_UM = [1200, 1000, 800, 600, 500, 400, 300, 250, 200, 160, 120, 100, 80, 60];

type Props = { hatch: Hatch; chosen: number; choose: (layers: number) => void; units: Units };

/** Real lines, four times as large, closer to the right: what each distance prints stands under it. */
export function HatchStrips({ hatch, chosen, choose, units }: Props) {
  const [ref, whole] = useWidth(560);
  const width = Math.max(0, whole - LABEL_PX);
  const at = apartScale(width || 1, hatch.width_um);
  const touch = at(hatch.rows[0]?.touch_um ?? 0);
  return (
    <div ref={ref} className="relative min-w-0">
      {width > 0
        ? hatch.rows.map((row) => (
            <div key={row.layers} className="mb-1 grid grid-cols-[92px_minmax(0,1fr)]">
              <button
                type="button"
                aria-pressed={row.layers === chosen}
                onClick={() => choose(row.layers)}
                className="group self-start text-left leading-tight pointer-coarse:min-h-12"
              >
                <b
                  className={`block text-lead underline-offset-3 group-hover:underline ${row.layers === chosen ? "font-black" : "font-medium"}`}
                >
                  {NAMES[row.layers - 1]}
                </b>
                <span className="note">
                  {row.layers === 1 ? "1 layer" : `${row.layers} layers`}
                </span>
              </button>
              <Strip
                row={row}
                lineUm={hatch.width_um}
                width={width}
                touch={touch}
                now={row.layers === chosen}
                units={units}
              />
            </div>
          ))
        : null}
      {width > 0 ? <Ruler width={width} at={at} units={units} /> : null}
    </div>
  );
}

type StripProps = {
  row: HatchRow;
  lineUm: number;
  width: number;
  touch: number;
  now: boolean;
  units: Units;
};

function Strip({ row, lineUm, width, touch, now, units }: StripProps) {
  const at = apartScale(width, lineUm);
  const ticks = apart(
    row.ticks.filter(
      ({ spacing_um: um }) =>
        inside(at(um), width) && Math.abs(at(um) - tagAt(row, at, width)) > 46,
    ),
    (tick) => at(tick.spacing_um),
    LEAST_BETWEEN_PX,
  );
  return (
    <svg width={width} height={STRIP_PX + 20} aria-hidden="true" className="block overflow-visible">
      <clipPath id={`strip-${row.layers}`}>
        <rect width={width} height={STRIP_PX} />
      </clipPath>
      <rect width={width} height={STRIP_PX} className="fill-paper-lift stroke-ink-3" />
      <g
        clipPath={`url(#strip-${row.layers})`}
        className="stroke-ink"
        strokeWidth={drawnWidth(lineUm)}
      >
        {Array.from({ length: row.layers }, (_, layer) => (
          <path key={LAYERS[layer]} d={pathOf(width, lineUm, layer)} fill="none" />
        ))}
      </g>
      {inside(touch, width) ? (
        <path
          d={`M${touch} -4V${STRIP_PX + 4}`}
          className="fill-none stroke-ferric-deep"
          strokeWidth={1.5}
          strokeDasharray="2 3"
        />
      ) : null}
      {ticks.map((tick) => (
        <g key={tick.lstar} transform={`translate(${at(tick.spacing_um)} ${STRIP_PX})`}>
          <path d="M0 0V4" className="stroke-ink-3" />
          <text y={16} textAnchor="middle" className="num fill-ink-2 text-note">
            {tick.lstar}
          </text>
        </g>
      ))}
      <Asked row={row} at={at} width={width} now={now} units={units} />
    </svg>
  );
}

const LAYERS = ["first", "second", "third"];
const inside = (x: number, width: number) => x >= 0 && x <= width;

const pathOf = (width: number, lineUm: number, layer: number) =>
  linesOf(width, STRIP_PX, lineUm, layer)
    .map(({ x, lean }) => `M${x.toFixed(1)} ${STRIP_PX}L${(x + lean).toFixed(1)} 0`)
    .join("");

/** Where the tag of a strip's answer stands; far away where there is none. */
const tagAt = ({ plan }: HatchRow, at: (um: number) => number, width: number) =>
  plan.spacing_um === null ? -1000 : Math.min(width - 34, Math.max(34, at(plan.spacing_um)));

type AskedProps = {
  row: HatchRow;
  at: (um: number) => number;
  width: number;
  now: boolean;
  units: Units;
};

/** The distance that prints the tone asked about, in its range; dashed where burrs touch. */
function Asked({ row, at, width, now, units }: AskedProps) {
  const { plan, touch_um } = row;
  const { spacing_um: spacing, spacing_low_um: low, spacing_high_um: high } = plan;
  if (spacing === null || low === null || high === null) return null;
  const [left, right] = [Math.max(0, at(high)), Math.min(width, at(low))];
  const wide = Math.max(10, right - left);
  const touches = spacing < touch_um;
  const colour = touches ? "stroke-ferric-deep" : "stroke-copper-deep";
  const middle = tagAt(row, at, width);
  return (
    <>
      <rect
        x={Math.min(left, width - wide)}
        y={-4}
        width={wide}
        height={STRIP_PX + 8}
        className={`fill-none ${colour}`}
        strokeWidth={now ? 3 : 1.5}
        strokeDasharray={touches ? "5 3" : undefined}
      />
      <g transform={`translate(${middle} ${STRIP_PX + 12})`}>
        <rect
          x={-34}
          y={-9}
          width={68}
          height={18}
          className={now ? "fill-copper-deep" : "fill-paper"}
        />
        <text
          textAnchor="middle"
          y={5}
          className={`num text-note font-bold ${now ? "fill-paper-lift" : touches ? "fill-ferric-deep" : "fill-copper-deep"}`}
        >
          {shownApart(spacing, units)} {units.length_unit}
        </text>
      </g>
    </>
  );
}

type RulerProps = { width: number; at: (um: number) => number; units: Units };

function Ruler({ width, at, units }: RulerProps) {
  const marks = apart(
    MARKS_UM.filter((um) => inside(at(um), width)),
    at,
    LEAST_BETWEEN_PX + 8,
  );
  return (
    <div className="mt-1 grid grid-cols-[92px_minmax(0,1fr)] items-start">
      <span className="note">apart, {units.length_unit}</span>
      <svg width={width} height={24} aria-hidden="true" className="block overflow-visible">
        <path d={`M0 1H${width}`} className="stroke-ink" />
        {marks.map((um) => (
          <g key={um} transform={`translate(${at(um)} 0)`}>
            <path d="M0 1V6" className="stroke-ink" />
            <text y={19} textAnchor="middle" className="num fill-ink-2 text-note">
              {shownApart(um, units)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
