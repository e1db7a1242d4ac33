import { useId } from "react";
import type { Shapes } from "../../../api/client";
import { clock } from "../../../ui/times";

type Point = Shapes["CurvePoint"];
const [WIDTH, HEIGHT, LEFT, RIGHT, TOP] = [372, 240, 36, 24, 8];
const TICKS = [30, 120, 480, 960];

/** How wide a guess is without a strip: the tones of a single dip over its time. */
export function GuessCurve({ line, asked }: { line: Point[]; asked: Point | undefined }) {
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const [first, last] = [line[0]?.seconds ?? 15, line.at(-1)?.seconds ?? 960];
  const x = (s: number) =>
    LEFT + ((WIDTH - LEFT - RIGHT) * Math.log(s / first)) / Math.log(last / first);
  const y = (lstar: number) => TOP + ((HEIGHT - 2 * TOP) * (100 - lstar)) / 100;
  const path = (pick: (point: Point) => number) =>
    line.map((point) => `${x(point.seconds).toFixed(1)} ${y(pick(point)).toFixed(1)}`);
  const said = asked
    ? `L* ${asked.lstar.toFixed(0)} is ${clock(asked.seconds_low)} to ${clock(asked.seconds_high)}`
    : "";
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 22}`}
      className="block w-full max-w-93"
      role="img"
      aria-label={`A guess until there is a strip: ${said}`}
    >
      <pattern id={`${id}-band`} width="4" height="4" patternUnits="userSpaceOnUse">
        <path d="M1 0V4" className="stroke-ink/40" strokeWidth="1" />
      </pattern>
      <path
        d={`M${path((p) => p.lstar_high).join("L")}L${path((p) => p.lstar_low)
          .reverse()
          .join("L")}Z`}
        fill={`url(#${id}-band)`}
        className="stroke-ink-3"
        strokeDasharray="5 4"
      />
      <path
        d={`M${path((p) => p.lstar).join("L")}`}
        className="fill-none stroke-ink"
        strokeWidth="2.2"
        strokeDasharray="7 5"
      />
      <path
        d={`M${LEFT} ${TOP}V${HEIGHT - TOP}H${WIDTH - RIGHT}`}
        className="fill-none stroke-ink"
        strokeWidth="1.4"
      />
      <g className="num fill-ink-3" fontSize="13">
        {[80, 60, 40, 20].map((lstar) => (
          <text key={lstar} x={LEFT - 7} y={y(lstar) + 4} textAnchor="end">
            {lstar}
          </text>
        ))}
        {TICKS.map((seconds) => (
          <text key={seconds} x={x(seconds)} y={HEIGHT + 12} textAnchor="middle">
            {clock(seconds)}
          </text>
        ))}
      </g>
      <g className="fill-ferric-deep font-semibold" fontSize="15">
        <text x={LEFT + 14} y={HEIGHT - 48}>
          a guess until then:
        </text>
        <text x={LEFT + 14} y={HEIGHT - 28}>
          {said}
        </text>
      </g>
    </svg>
  );
}
