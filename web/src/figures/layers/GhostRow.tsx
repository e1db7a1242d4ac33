import type { Shapes } from "../../api/client";
import { grainTile } from "../grain";

type Told = Shapes["GhostForecastOutput"];

const HIGH = 96;
const SCALE_FROM = 0;

/** Each pull of one inking in grain of its tone; dashed is still to come, the fine lines its band. */
export function GhostRow({ told }: { told: Told }) {
  return (
    <ol className="flex flex-wrap gap-4">
      {told.pulls.map((each) => (
        <li key={each.pull} className="w-34">
          <span
            aria-hidden="true"
            className={`relative block overflow-hidden border-[1.5px] ${each.read ? "border-ink" : "border-dashed border-ink-3"}`}
            style={{ height: HIGH, background: `url(${grainTile(each.lstar).href})` }}
          >
            {each.read ? null : <Band low={each.low} high={each.high} />}
          </span>
          <b className="mt-1 block">{each.pull === 1 ? "First pull" : `Ghost ${each.pull - 1}`}</b>
          <span className="num">
            L* {each.lstar.toFixed(0)}
            {each.read ? "" : `, ${each.low.toFixed(0)} to ${each.high.toFixed(0)}`}
          </span>
          <span className="note block">{each.read ? "read" : "to come"}</span>
        </li>
      ))}
    </ol>
  );
}

/** The likely range as fine upright lines, dark at the left. */
function Band({ low, high }: { low: number; high: number }) {
  const left = low - SCALE_FROM;
  return (
    <span
      className="absolute inset-y-0 border-x-2 border-copper-deep bg-[repeating-linear-gradient(90deg,var(--color-copper-deep)_0_1px,transparent_1px_5px)] opacity-60"
      style={{ left: `${left}%`, width: `${Math.max(1, high - low)}%` }}
    />
  );
}
