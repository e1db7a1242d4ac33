import type { BathPage } from "../../api/baths";
import { dayOf, type Zone } from "../../ui/times";
import { AXIS_Y, type Frame, LEFT, TRACKS } from "./frame";

const DAY = 86_400;
const MOST = 6;
const NEAR_PX = 52;

type Props = { frame: Frame; page: BathPage; zone: Zone };

/** Days along the foot, today's line, and what was replaced. */
export function TimeAxis({ frame, page, zone }: Props) {
  const today = frame.x(frame.now);
  const every = Math.max(1, Math.ceil((frame.to - frame.from) / DAY / MOST));
  const count = Math.floor((frame.to - frame.from) / DAY / every);
  const days = Array.from({ length: count + 1 }, (_, i) => frame.from + i * every * DAY);
  return (
    <g>
      <rect
        x={today}
        y={TRACKS.speed.top - 8}
        width={frame.width - today}
        height={AXIS_Y - TRACKS.speed.top + 8}
        className="fill-paper-lift"
      />
      <path d={`M${LEFT} ${AXIS_Y}H${frame.width}`} className="stroke-ink" strokeWidth="1.4" />
      {days.map((at) => (
        <g key={at}>
          <path d={`M${frame.x(at)} ${AXIS_Y}V${AXIS_Y + 5}`} className="stroke-ink" />
          {Math.abs(frame.x(at) - today) > NEAR_PX ? (
            <text
              x={Math.min(frame.x(at), frame.width - 22)}
              y={AXIS_Y + 19}
              textAnchor="middle"
              className="fill-ink-2! text-note"
            >
              {dayOf(new Date(at * 1000).toISOString(), zone)}
            </text>
          ) : null}
        </g>
      ))}
      {page.replaced.map((each) => (
        <g key={each.reading} className="stroke-zinc-deep">
          <path
            d={`M${frame.x(each.at)} ${TRACKS.speed.top - 8}V${AXIS_Y}`}
            strokeWidth="1.4"
            strokeDasharray="2 3"
          />
          <text
            x={frame.x(each.at) + 6}
            y={TRACKS.speed.top - 8}
            className="halo fill-zinc-deep! text-note font-semibold"
          >
            {Math.round(each.share * 100)} % new, {dayOf(each.at, zone)}
          </text>
        </g>
      ))}
      <path
        d={`M${today} ${TRACKS.speed.top - 8}V${AXIS_Y}`}
        className="stroke-verdigris"
        strokeWidth="2.4"
      />
      <path
        d={`M${today - 6} ${TRACKS.speed.top - 16}H${today + 6}L${today} ${TRACKS.speed.top - 6}Z`}
        className="fill-verdigris"
      />
      <text
        x={today}
        y={AXIS_Y + 19}
        textAnchor="middle"
        className="fill-verdigris! text-note font-bold"
      >
        today
      </text>
    </g>
  );
}
