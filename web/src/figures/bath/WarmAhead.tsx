import type { BathHeat } from "../../api/baths";
import { shownTemperature, temperatureUnit, type Units } from "../../ui/units";
import { useWidth } from "../useWidth";
import { BathPatterns } from "./BathPatterns";
import { bandOf, pathOf, scaleOf, stepFor } from "./frame";

const UNKNOWN_PX = 560;
const HEIGHT = 176;
const TRACK = { top: 14, bottom: 140 };
const LEFT = 46;
const RIGHT = 92;
const MOST_TICKS = 4;
const TIMES = 4;

type Props = { told: BathHeat; now: number; wanted?: number; jacket?: number; units: Units };
type Level = { celsius: number; text: string; look: string; dash?: string };

/** How warm a bath will be over the minutes to come, where it lies, and what draws it there. */
export function WarmAhead({ told, now, wanted, jacket, units }: Props) {
  const [ref, laid] = useWidth(UNKNOWN_PX);
  const { forecast } = told.heat;
  const shown = (celsius: number) => Number(shownTemperature(celsius, units));
  const levels = levelsOf(told, wanted, jacket);
  const all = [now, ...levels.map((each) => each.celsius), ...forecast.flatMap((f) => f.slice(1))];
  const [low, high] = [Math.min(...all.map(shown)), Math.max(...all.map(shown))];
  const { y, ticks } = scaleOf(TRACK, low, high, stepFor(Math.max(high - low, 1), MOST_TICKS));
  const last = forecast.at(-1)?.[0] ?? 1;
  const right = laid - RIGHT;
  const x = (minute: number) => LEFT + (minute / last) * (right - LEFT);
  const line = (place: 1 | 2 | 3) =>
    forecast.map((each): [number, number] => [x(each[0]), y(shown(each[place]))]);
  const times = Array.from({ length: TIMES + 1 }, (_, i) => (last * i) / TIMES);
  return (
    <div ref={ref} className="min-w-0">
      {laid > 0 ? (
        <svg
          width={laid}
          height={HEIGHT}
          role="img"
          aria-label={`From ${shownTemperature(now, units)} to ${shownTemperature(told.heat.end_c, units)} ${temperatureUnit(units)} in ${last.toFixed(0)} minutes`}
          className="block text-note"
        >
          <BathPatterns />
          {ticks.map((tick) => (
            <g key={tick}>
              <path d={`M${LEFT} ${y(tick)}H${right}`} className="stroke-hair" />
              <text x={LEFT - 8} y={y(tick) + 4.5} textAnchor="end" className="num text-note">
                {Number(tick.toFixed(2))}
              </text>
            </g>
          ))}
          <path d={bandOf(line(2), line(3))} fill="url(#bath-band)" className="stroke-ink-3" />
          <path d={pathOf(line(1))} className="fill-none stroke-ink" strokeWidth="2.2" />
          {levels.map((each) => (
            <g key={each.text}>
              <path
                d={`M${LEFT} ${y(shown(each.celsius))}H${right}`}
                className={`fill-none ${each.look}`}
                strokeWidth="1.6"
                strokeDasharray={each.dash}
              />
              <text x={right + 8} y={y(shown(each.celsius)) + 4.5} className="halo text-note">
                {each.text}
              </text>
            </g>
          ))}
          <path d={`M${LEFT} ${TRACK.bottom + 8}H${right}`} className="stroke-ink" />
          {times.map((minute) => (
            <text
              key={minute}
              x={x(minute)}
              y={HEIGHT - 10}
              textAnchor="middle"
              className="num text-note"
            >
              {minute === 0 ? "now" : `${minute.toFixed(0)} min`}
            </text>
          ))}
        </svg>
      ) : null}
    </div>
  );
}

/** Lines that do not move: what stands round the bath, what is wanted, what it must not pass. */
function levelsOf(told: BathHeat, wanted?: number, jacket?: number): Level[] {
  const round: Level =
    jacket === undefined
      ? { celsius: told.room_c, text: "the room", look: "stroke-ink-3", dash: "5 4" }
      : { celsius: jacket, text: "the jacket", look: "stroke-verdigris", dash: "5 4" };
  const found = [round];
  if (wanted !== undefined)
    found.push({ celsius: wanted, text: "wanted", look: "stroke-copper-deep" });
  const near = told.heat.forecast.some((each) => each[3] > (told.hottest_c ?? 999) - NEAR_C);
  if (told.hottest_c !== null && near)
    found.push({ celsius: told.hottest_c, text: "never above", look: "stroke-vermilion" });
  return found;
}

/** The line that must not be passed is drawn where the bath comes so near. */
const NEAR_C = 6;
