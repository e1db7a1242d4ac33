import type { Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import type { Immersion } from "../../../device/fold";
import type { Bite, Local } from "../../../device/local";
import { readingsOf } from "../../../device/local";
import { secondsToLift, speedAt } from "../../../device/sheet";
import type { Log } from "../../../device/useRun";
import { Mark } from "../../../ui/Mark";
import { clock, wallClock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { Gauge } from "./Gauge";
import { Stale } from "./Stale";

const READY_SECONDS = 30;

type Props = {
  run: Run;
  local: Local;
  dip: Immersion;
  bite: Bite;
  now: number;
  due: number;
  stale: boolean;
  log: Log;
  said: string | null;
};

/** In the bath: the clock, what happens at zero, and three readings. */
export function InBath(props: Props) {
  const { run, local, dip, bite, now, due, stale, log } = props;
  const { zone, me } = useHere();
  const left = due - now;
  const words = run.process.hands;
  const pace = speedAt(run.sheet, local.celsius);
  return (
    <>
      <div className="run-gauge">
        <Gauge run={run} local={local} bite={bite} dip={dip} now={now} />
      </div>
      <section className="run-read">
        {stale ? (
          <Stale run={run} dip={dip} due={due} now={now} log={log} />
        ) : (
          <Countdown left={left} />
        )}
        {stale ? null : (
          <>
            <p className="run-next">
              {left >= 0 ? "At zero: " : ""}
              <b>{left >= 0 ? words.at_zero : `${words.lift} now.`}</b>{" "}
              {bite.closes.length > 0 && bite.number < bite.of ? (
                <>
                  {words.follow} {named(run, bite.closes)}.
                </>
              ) : (
                words.finish
              )}
            </p>
            <Moved run={run} local={local} dip={dip} bite={bite} />
            <dl className="run-trio">
              <Care run={run} local={local} dip={dip} now={now} />
              <div>
                <dt>
                  <Mark name="heat" />
                  Bites <b>×{pace.toFixed(2)}</b>
                </dt>
                <dd>
                  {shownTemperature(local.celsius, me)}
                  <small>{temperatureUnit(me)}</small>
                </dd>
              </div>
              <div>
                <dt>{words.lift} at</dt>
                <dd>{wallClock(due, zone)}</dd>
              </div>
            </dl>
          </>
        )}
      </section>
    </>
  );
}

export function named(run: Run, names: string[]): string {
  const all = run.areas.filter((area) => names.includes(area.name));
  return all.map((area) => (area.parts ? `${area.name}: ${area.parts}` : area.name)).join("; ");
}

function Countdown({ left }: { left: number }) {
  const text = clock(left >= 0 ? Math.ceil(left) : -left);
  const [minutes, seconds] = [text.split(":").slice(0, -1).join(":"), text.split(":").at(-1)];
  const word = left < 0 ? "over" : left <= READY_SECONDS ? "get ready" : "to go";
  return (
    <div
      className={`run-time${left < 0 ? " late" : ""}${text.length > 4 ? " long" : ""}`}
      role="timer"
      aria-label={`${text} ${word}`}
    >
      <span>
        {left < 0 ? "+" : ""}
        {minutes}
      </span>
      <i aria-hidden="true" />
      <span>{seconds}</span>
      <small>{word}</small>
    </div>
  );
}

/** A new temperature moves the time left, and says so. */
function Moved({ run, local, dip, bite }: { run: Run; local: Local; dip: Immersion; bite: Bite }) {
  const { me } = useHere();
  const readings = readingsOf(local, dip);
  if (readings.length < 2) return null;
  const before = secondsToLift(run.sheet, readings.slice(0, -1), bite.target);
  const after = secondsToLift(run.sheet, readings, bite.target);
  const change = Math.round(after - before);
  if (change === 0) return null;
  return (
    <p className="run-said" role="status">
      Bath {shownTemperature(local.celsius, me)}: {clock(Math.abs(change))}{" "}
      {change < 0 ? "taken off" : "put on"}.
    </p>
  );
}

function Care({ run, local, dip, now }: { run: Run; local: Local; dip: Immersion; now: number }) {
  const every = run.care.every_seconds;
  if (!every)
    return (
      <div>
        <dt>In the bath</dt>
        <dd>{clock(now - dip.at_seconds)}</dd>
      </div>
    );
  const since = Math.max(dip.at_seconds, local.state.last_cared_seconds ?? dip.at_seconds);
  const left = since + every - now;
  return (
    <div className="f">
      <dt>
        <Mark name={run.care.mark} />
        {run.care.verb} {left >= 0 ? "in" : "now"}
      </dt>
      <dd>{left >= 0 ? clock(left) : "now"}</dd>
    </div>
  );
}
