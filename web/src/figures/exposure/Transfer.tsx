import { useId } from "react";
import type { Shapes } from "../../api/client";
import { bandOf, pathOf } from "../bath/frame";
import { Patterns } from "../Patterns";
import { useWidth } from "../useWidth";

const UNKNOWN_PX = 300;
const BOX = { left: 34, right: 10, top: 8, bottom: 42, height: 214 };
const TICKS = [80, 60, 40, 20];
const ENDS = [0, 25, 50, 75, 100];

type Curve = Shapes["CorrectionCurveOutput"];

/** What the plate prints for each film, and the film to make so that greys fall as drawn. */
export function Transfer({ curve }: { curve: Curve }) {
  const [ref, laid] = useWidth(UNKNOWN_PX);
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const bottom = BOX.height - BOX.bottom;
  const x = (film: number) => BOX.left + film * (laid - BOX.left - BOX.right);
  const y = (lstar: number) => bottom - (lstar / 100) * (bottom - BOX.top);
  const line = (pick: (p: Curve["prints"][number]) => number) =>
    curve.prints.map((p): [number, number] => [x(p.film), y(pick(p))]);
  const reach = curve.lightest_lstar - curve.darkest_lstar;
  const made = curve.film.map((film, place): [number, number] => [
    x(1 - place / 255),
    y(curve.lightest_lstar - reach * film),
  ]);
  return (
    <div ref={ref} data-figure className="min-w-0">
      {laid > 0 ? (
        <svg
          width={laid}
          height={BOX.height}
          role="img"
          aria-label={`Step chart: prints L* ${curve.lightest_lstar.toFixed(0)} to ${curve.darkest_lstar.toFixed(0)}`}
          className="block text-note"
        >
          <Patterns id={id} tones={[]} />
          {TICKS.map((tick) => (
            <g key={tick}>
              <path d={`M${BOX.left} ${y(tick)}H${laid - BOX.right}`} className="stroke-hair" />
              <text x={BOX.left - 8} y={y(tick) + 4.5} textAnchor="end" className="num fill-ink-3">
                {tick}
              </text>
            </g>
          ))}
          <path
            d={bandOf(
              line((p) => p.low),
              line((p) => p.high),
            )}
            fill={`url(#${id}-band)`}
            className="stroke-ink-3"
            strokeWidth=".8"
          />
          <path
            d={`M${x(0)} ${y(curve.lightest_lstar)}L${x(1)} ${y(curve.darkest_lstar)}`}
            className="fill-none stroke-ink-2"
            strokeDasharray="2 4"
            strokeWidth="1.6"
          />
          <path
            d={pathOf(line((p) => p.lstar))}
            className="fill-none stroke-ink"
            strokeWidth="2.2"
          />
          <path d={pathOf(made)} className="fill-none stroke-copper-deep" strokeWidth="2.8" />
          {curve.chart.map((step) => (
            <circle
              key={`${step.film} ${step.lstar}`}
              cx={x(step.film)}
              cy={y(step.lstar)}
              r="3.6"
              className={step.outlier ? "fill-none stroke-ferric-deep" : "fill-ink"}
              strokeWidth="1.8"
            />
          ))}
          <path d={`M${BOX.left} ${bottom}H${laid - BOX.right}`} className="stroke-ink" />
          {ENDS.map((end) => (
            <text
              key={end}
              x={x(end / 100)}
              y={bottom + 18}
              textAnchor={end === 100 ? "end" : "middle"}
              className="num fill-ink-3"
            >
              {end}
            </text>
          ))}
          <text x={x(0)} y={bottom + 36} className="fill-ink-2">
            % black wanted
          </text>
        </svg>
      ) : null}
    </div>
  );
}
