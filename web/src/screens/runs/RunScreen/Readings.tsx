import type { ReactNode } from "react";
import type { Run } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import type { Local } from "../../../device/local";
import { speedAt } from "../../../device/sheet";
import { useHere } from "../../../frame/useHere";
import { Mark } from "../../../ui/Mark";
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

export function Reading({
  name,
  glow,
  children,
}: {
  name: ReactNode;
  glow?: boolean;
  children: ReactNode;
}) {
  return (
    <div className="min-w-0 border-night-line pt-2.5 not-first:border-l-2 not-first:pl-5.5 max-desk:not-first:pl-4 max-phone:pt-2 max-phone:not-first:pl-2.5 short:pt-1 flat:pt-1 flat:not-first:pl-2.5">
      <dt className="flex items-center gap-2 text-far leading-[30px] whitespace-nowrap text-night-ink-2 max-desk:text-h3 max-phone:gap-1 max-phone:text-note max-phone:leading-5 short:text-h3 flat:gap-1 flat:text-note flat:leading-5 [&>svg]:size-7 flat:[&>svg]:size-4! [&>svg]:flex-none [&>svg]:text-night-ferric [&>svg]:[--cut:var(--color-night)] max-phone:[&>svg]:size-4">
        {name}
      </dt>
      <dd
        className={`num text-far-3 leading-none font-bold whitespace-nowrap max-desk:text-far-2 max-phone:text-h1 short:text-far-2 flat:text-h2 ${glow ? "text-night-ferric" : ""}`}
      >
        {children}
      </dd>
    </div>
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
