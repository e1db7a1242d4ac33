import { useId } from "react";
import { useUser } from "../../../../ui/useUser";
import { named, written } from "./quantity";
import type { Row, Series } from "./rows";

const [WIDTH, HEIGHT] = [560, 220];
const BOX = { left: 66, right: 20, top: 14, bottom: 38 };

type Scale = { at: (value: number) => number; ends: [number, number] };

function scaleOf(values: number[], from: number, to: number): Scale {
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const span = high - low || 1;
  return { at: (value) => from + ((to - from) * (value - low)) / span, ends: [low, high] };
}

/** Many rows at a glance: one figure over another, with its likely range. */
export function RowsFigure({ rows, series, name }: { rows: Row[]; series: Series; name: string }) {
  const id = useId().replaceAll(/[^a-zA-Z0-9]/g, "");
  const read = (key: string) => rows.map((row) => Number(row[key]));
  const { x, y, low, high } = series;
  const heights = [...read(y), ...(low ? read(low) : []), ...(high ? read(high) : [])];
  const across = scaleOf(read(x), BOX.left, WIDTH - BOX.right);
  const up = scaleOf(heights, HEIGHT - BOX.bottom, BOX.top);
  const path = (key: string) =>
    rows.map(
      (row) => `${across.at(Number(row[x])).toFixed(1)} ${up.at(Number(row[key])).toFixed(1)}`,
    );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full max-w-155"
      role="img"
      aria-label={`${name}: ${named(y).label} against ${named(x).label}`}
    >
      <pattern id={`${id}-band`} width="3" height="8" patternUnits="userSpaceOnUse">
        <path d="M1 0v8" className="stroke-ink-3" strokeWidth=".8" />
      </pattern>
      {low && high ? (
        <path
          d={`M${path(high).join("L")}L${path(low).reverse().join("L")}Z`}
          fill={`url(#${id}-band)`}
        />
      ) : null}
      <path d={`M${path(y).join("L")}`} className="fill-none stroke-ink" strokeWidth="2.4" />
      <path
        d={`M${BOX.left} ${BOX.top}V${HEIGHT - BOX.bottom}H${WIDTH - BOX.right}`}
        className="fill-none stroke-ink"
        strokeWidth="1.4"
      />
      <Ends x={x} y={y} across={across} up={up} />
    </svg>
  );
}

/** Where each axis begins and ends, and what it tells. */
function Ends({ x, y, across, up }: { x: string; y: string; across: Scale; up: Scale }) {
  const { units } = useUser();
  const foot = HEIGHT - BOX.bottom + 17;
  return (
    <g className="fill-ink-3" fontSize="13">
      {up.ends.map((value) => (
        <text key={value} className="num" x={BOX.left - 6} y={up.at(value) + 4} textAnchor="end">
          {written(y, value, units)}
        </text>
      ))}
      {across.ends.map((value, place) => (
        <text
          key={value}
          className="num"
          x={across.at(value)}
          y={foot}
          textAnchor={place === 0 ? "start" : "end"}
        >
          {written(x, value, units)}
        </text>
      ))}
      <text x={(BOX.left + WIDTH - BOX.right) / 2} y={foot} textAnchor="middle">
        {named(y).label} over {named(x).label}
      </text>
    </g>
  );
}
