import type { Run } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import type { Local } from "../../../device/local";
import { speedAt } from "../../../device/sheet";
import { useHere } from "../../../frame/useHere";
import { Mark } from "../../../ui/Mark";
import { Reading } from "../../../ui/night/Reading";
import { clock, wallClock } from "../../../ui/times";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { useNowOf } from "../../../ui/useNow";
import { useProbeLive } from "./useProbeWord";

type Props = { run: Run; local: Local; dip: Immersion; due: number };

/** Three readings: rock or feather in, the bath's warmth and pace, when to lift. */
export function Readings({ run, local, dip, due }: Props) {
  const { zone, me } = useHere();
  const pace = speedAt(run.sheet, local.celsius);
  const live = useProbeLive(run);
  return (
    <dl className="mt-auto mb-1.5 grid grid-cols-[246px_1fr_262px] border-t-2 border-night-line max-desk:m-0 max-desk:grid-cols-[1fr_1.15fr_1fr] short:mb-1.5 flat:mt-auto flat:mb-1.5">
      <Care run={run} local={local} dip={dip} due={due} />
      <Reading
        name={
          <>
            <Mark name="heat" />
            {live ? "Probe" : "Bites"} <b className="text-night-ink">×{pace.toFixed(2)}</b>
          </>
        }
      >
        {shownTemperature(local.celsius, me)}
        <small className="ml-[0.1em] font-text text-far font-medium tracking-normal text-night-ink-2 max-phone:text-body short:text-h3 flat:text-body">
          {temperatureUnit(me)}
        </small>
      </Reading>
      <Reading name={`${run.process.hands.lift} at`}>{wallClock(due, zone)}</Reading>
    </dl>
  );
}

/** When to rock or feather next, where that falls before the lift; else how long it has been in. */
function Care({ run, local, dip, due }: Props) {
  const every = run.care.every_seconds;
  const since = Math.max(dip.at_seconds, local.state.last_cared_seconds ?? dip.at_seconds);
  const next = every && since + every < due ? since + every : null;
  const over = useNowOf((now) => now > due);
  const text = useNowOf((now) =>
    next === null || now > due
      ? clock(now - dip.at_seconds)
      : next >= now
        ? clock(next - now)
        : "now",
  );
  if (next === null || over) return <Reading name="In the bath">{text}</Reading>;
  return (
    <Reading
      glow
      name={
        <>
          <Mark name={run.care.mark} />
          {run.care.verb} {text === "now" ? "now" : "in"}
        </>
      }
    >
      {text}
    </Reading>
  );
}
