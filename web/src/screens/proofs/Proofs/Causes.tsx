import type { Shapes } from "../../../api/client";

type Next = Shapes["WhatNextOutput"];

/** As wide as a phone has room for: its words are never made smaller. */
const WIDTH = 348;
const ROW = 26;
const NAMES = 128;
const MIDDLE = NAMES + (WIDTH - NAMES) / 2;
const PX_PER_LSTAR = 6;
const MOST = (WIDTH - NAMES) / 2 - 8;
const TOLERANCE = 3;
const MOSTLY = 0.5;

/** Plate or printing: each area's miss with its doubt; the hatched zone is ±3 L*. */
export function Causes({ next }: { next: Next }) {
  if (next.areas.length === 0) return null;
  const height = ROW * next.areas.length + 22;
  return (
    <div>
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h3>Plate or printing?</h3>
        <span className="note">{sharedOf(next)}</span>
      </div>
      <svg
        width={WIDTH}
        height={height}
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="mt-1 max-w-full"
        role="img"
        aria-label={next.areas
          .map((each) => `${each.name} ${each.off_lstar.toFixed(0)} L* off`)
          .join(", ")}
      >
        <text x={MIDDLE - 8} y="11" textAnchor="end" className="fill-ink-2 text-note">
          too light
        </text>
        <text x={MIDDLE + 8} y="11" className="fill-ink-2 text-note">
          too dark
        </text>
        {Array.from({ length: 2 * TOLERANCE + 1 }, (_, i) => (i - TOLERANCE) * PX_PER_LSTAR).map(
          (x) => (
            <path
              key={x}
              d={`M${MIDDLE + x} 16V${height}`}
              className="stroke-ink"
              strokeOpacity=".25"
            />
          ),
        )}
        <path d={`M${MIDDLE} 16V${height}`} className="stroke-ink" strokeWidth="2" />
        {next.areas.map((area, i) => (
          <Miss key={area.name} area={area} y={22 + ROW * (i + 0.5)} />
        ))}
      </svg>
    </div>
  );
}

function Miss({ area, y }: { area: Next["areas"][number]; y: number }) {
  const at = (lstar: number) => MIDDLE - Math.max(-MOST, Math.min(MOST, lstar * PX_PER_LSTAR));
  const blamed = area.plate > MOSTLY;
  const colour = blamed ? "fill-ferric-deep stroke-ferric-deep" : "fill-ink stroke-ink";
  return (
    <g>
      <text
        x="0"
        y={y + 4}
        className={`text-note ${blamed ? "fill-ferric-deep font-bold" : "fill-ink"}`}
      >
        {area.name}
      </text>
      <g className={colour}>
        <path d={`M${at(area.off_lstar - 2)} ${y}H${at(area.off_lstar + 2)}`} strokeWidth="1.5" />
        <circle cx={at(area.off_lstar)} cy={y} r="5" />
      </g>
    </g>
  );
}

function sharedOf(next: Next): string {
  const shift = next.shift_lstar;
  const way = shift > 0 ? "light" : "dark";
  const said = Math.abs(shift) < 0.5 ? "nothing" : `${Math.abs(shift).toFixed(1)} L* too ${way}`;
  return `What all share: ${said} (±${(2 * next.shift_spread).toFixed(1)})`;
}
