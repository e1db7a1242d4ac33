import type { BathPage } from "../../api/baths";
import { wallClock, type Zone } from "../../ui/times";
import { shownTemperature, temperatureUnit, type Units } from "../../ui/units";
import { type Frame, LEFT, pathOf, scaleOf, stepFor, TRACKS } from "./frame";

const { top } = TRACKS.warmth;
type Props = { frame: Frame; page: BathPage; units: Units; zone: Zone };

/** Temperatures as they were read, the last one named. */
export function WarmTrack({ frame, page, units, zone }: Props) {
  const shown = (celsius: number) => Number(shownTemperature(celsius, units));
  const values = [...page.warmth.map((w) => shown(w.celsius)), shown(page.bath.temperature_c)];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const { y, ticks } = scaleOf(TRACKS.warmth, low, high, stepFor(Math.max(high - low, 1), 3));
  const points = page.warmth.map((w): [number, number] => [frame.x(w.at), y(shown(w.celsius))]);
  const now: [number, number] = [frame.x(frame.now), y(shown(page.bath.temperature_c))];
  const at = wallClock(Date.parse(page.bath.temperature_at) / 1000, zone);
  return (
    <g>
      <text x={0} y={top - 12} className="font-slab text-body font-bold">
        Temperature, {temperatureUnit(units)}
      </text>
      {ticks.map((tick) => (
        <g key={tick}>
          <path
            d={`M${LEFT} ${y(tick)}H${frame.width}`}
            className="stroke-hair"
            strokeOpacity=".5"
          />
          <text x={LEFT - 8} y={y(tick) + 4.5} textAnchor="end" className="num text-note">
            {tick}
          </text>
        </g>
      ))}
      <path d={pathOf([...points, now])} className="fill-none stroke-ink" strokeWidth="1.6" />
      <circle cx={now[0]} cy={now[1]} r="5" />
      <text x={now[0] + 10} y={top + 14} className="halo text-note font-bold">
        {shownTemperature(page.bath.temperature_c, units)} read {at}
      </text>
      <text x={now[0] + 10} y={top + 30} className="halo fill-ink-2! text-note">
        {page.probe ? "by the probe" : "typed"}
      </text>
    </g>
  );
}
