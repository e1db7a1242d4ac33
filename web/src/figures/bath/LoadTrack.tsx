import type { BathPage } from "../../api/baths";
import { type Frame, LEFT, scaleOf, stepFor, stepsOf, TRACKS } from "./frame";

const { top, bottom } = TRACKS.load;
const DAYS_A_WEEK = 7;

/** Metal dissolved against where the bath is spent; dashed: at the room's pace. */
export function LoadTrack({ frame, page }: { frame: Frame; page: BathPage }) {
  const { bath, own, loads } = page;
  const { low, high, value: spent } = own.end_g_per_l;
  const { y, ticks } = scaleOf(TRACKS.load, 0, high, stepFor(high));
  const points = loads.map((l): [number, number] => [frame.x(l.at), y(l.g_per_l)]);
  const today = frame.x(frame.now);
  const perDay = page.grams_a_week / DAYS_A_WEEK / bath.volume_l;
  const ahead = bath.load_g_per_l + ((frame.to - frame.now) / 86_400) * perDay;
  const first = points[0]?.[0] ?? today;
  return (
    <g>
      <text x={0} y={top - 10} className="font-slab text-body font-bold">
        {bath.metal === "zinc" ? "Zinc" : "Copper"} in it, g/L
      </text>
      <rect
        x={LEFT}
        y={y(high)}
        width={frame.width - LEFT}
        height={Math.max(0, y(low) - y(high))}
        fill="url(#bath-spent)"
        fillOpacity=".6"
      />
      <path
        d={`M${LEFT} ${y(spent)}H${frame.width}`}
        className="stroke-ferric-deep"
        strokeWidth="1.8"
      />
      <text x={LEFT + 8} y={y(spent) + 16} className="halo fill-ferric-deep! text-note">
        spent at {spent.toFixed(0)} ±{((high - low) / 3.92).toFixed(0)} g/L
      </text>
      {ticks.map((tick) => (
        <text key={tick} x={LEFT - 8} y={y(tick) + 4.5} textAnchor="end" className="num text-note">
          {tick}
        </text>
      ))}
      <path d={`${stepsOf(points)}V${bottom}H${first}Z`} className="fill-ferric" />
      <path d={`${stepsOf(points)}V${bottom}H${first}Z`} fill="url(#bath-liquor)" />
      <path d={stepsOf(points)} className="fill-none stroke-ink" strokeWidth="1.8" />
      <path
        d={`M${LEFT} ${top}V${bottom}H${frame.width}`}
        className="fill-none stroke-ink"
        strokeWidth="1.8"
      />
      <path
        d={`M${today} ${y(bath.load_g_per_l)}L${frame.width} ${y(Math.min(ahead, high))}`}
        className="stroke-ink"
        strokeWidth="1.6"
        strokeDasharray="6 4"
      />
      <text x={today + 10} y={y(bath.load_g_per_l) - 12} className="halo text-note font-bold">
        {bath.load_g_per_l.toFixed(1)} g/L now
      </text>
      <text
        x={frame.width - 6}
        y={bottom - 6}
        textAnchor="end"
        className="halo fill-ink-2! text-note"
      >
        +{(page.grams_a_week / bath.volume_l).toFixed(1)} a week at your pace
      </text>
    </g>
  );
}
