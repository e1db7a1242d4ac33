import type { Run } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import type { Bite, Local } from "../../../device/local";
import { biteLasts, readingsOf } from "../../../device/local";
import type { Waiting } from "../../../device/waiting";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import { clock } from "../../../ui/times";
import { shownTemperature } from "../../../ui/units";
import { useNowOf } from "../../../ui/useNow";
import { FarClock } from "../../../ui/night/FarClock";
import { Gauge } from "./Gauge";
import { Heat } from "./Heat";
import { Line } from "../../../frame/Line";
import { Said } from "../../../ui/night/Night";
import { Readings } from "./Readings";
import { Seen } from "./Seen";
import { Stale } from "./Stale";
import type { Acts } from "./useActs";
import { useProbeLive, useProbeWord } from "./useProbeWord";

const READY_SECONDS = 30;

type Props = {
  run: Run;
  local: Local;
  dip: Immersion;
  bite: Bite;
  due: number;
  stale: boolean;
  flash: boolean;
  log: Log;
  waiting: Waiting[];
  acts: Acts;
};

/** In the bath: the clock, what happens at zero, and three readings. */
export function InBath({ run, local, dip, bite, due, stale, flash, log, waiting, acts }: Props) {
  return (
    <>
      <div className="min-h-0 pt-3.5 pr-2 pb-2.5 pl-3.5 max-desk:row-start-3 max-desk:px-5.5 max-desk:pb-1 max-phone:min-h-37 max-phone:px-4 flat:hidden">
        <Gauge run={run} local={local} bite={bite} dip={dip} />
      </div>
      <section
        className={`relative flex min-h-0 min-w-0 flex-col pr-8 pl-4.5 max-desk:row-start-2 max-desk:px-5.5 max-desk:pt-4.5 max-phone:px-4 max-phone:pt-3 flat:row-start-2 flat:overflow-auto flat:px-5 flat:pt-3 ${flash ? "bg-night-ink **:text-night!" : ""}`}
      >
        <Line events={run.events} waiting={waiting} />
        <Heat run={run} celsius={local.celsius} />
        {stale ? (
          <Stale dip={dip} due={due} state={local.state} log={log} />
        ) : (
          <>
            <Countdown due={due} />
            <Next run={run} bite={bite} due={due} />
            <div className="flex flex-wrap items-center gap-x-5">
              <Seen wet local={local} acts={acts} />
              <Moved run={run} local={local} dip={dip} bite={bite} />
            </div>
            <Readings run={run} local={local} dip={dip} due={due} />
          </>
        )}
      </section>
    </>
  );
}

function named(run: Run, names: string[]): string {
  const all = run.areas.filter((area) => names.includes(area.name));
  return all.map((area) => (area.parts ? `${area.name}: ${area.parts}` : area.name)).join("; ");
}

/** What is done before the bite after this one. */
function then(run: Run, bite: Bite): string {
  const { follow, opening } = run.process.hands;
  if (bite.opensNext.length > 0)
    return `Then ${opening.verb.toLowerCase()} ${named(run, bite.opensNext)}.`;
  return bite.closes.length > 0 ? `${follow} ${named(run, bite.closes)}.` : "Then dip again.";
}

function Countdown({ due }: { due: number }) {
  const left = useNowOf((now) => (due >= now ? Math.ceil(due - now) : -Math.round(now - due)));
  const over = useNowOf((now) => now > due);
  const word = over ? "over" : left <= READY_SECONDS ? "get ready" : "to go";
  return <FarClock text={clock(Math.abs(left))} over={over} word={word} />;
}

function Next({ run, bite, due }: { run: Run; bite: Bite; due: number }) {
  const over = useNowOf((now) => now > due);
  const words = run.process.hands;
  return (
    <p className="text-far-2 leading-[1.14] font-semibold tracking-tight max-desk:mt-2.5 max-desk:mb-4.5 max-phone:mt-2 max-phone:mb-3 max-phone:text-h2 short:text-h1 flat:mt-2 flat:mb-2 flat:text-h2">
      {over ? "" : "At zero: "}
      <b className="text-(--glow)">{over ? `${words.lift} now.` : words.at_zero}</b>{" "}
      {bite.number >= bite.of ? words.finish : then(run, bite)}
    </p>
  );
}

/** A new temperature moves the time left, and says so; a silent probe is said before all else. */
function Moved({ run, local, dip, bite }: { run: Run; local: Local; dip: Immersion; bite: Bite }) {
  const { me } = useHere();
  const word = useProbeWord(run);
  const live = useProbeLive(run);
  if (word) return <Said role="status">{word}</Said>;
  const readings = readingsOf(local, dip);
  if (readings.length < 2) return null;
  const before = biteLasts(run, live ? readings.slice(0, 1) : readings.slice(0, -1), bite);
  const change = Math.round(biteLasts(run, readings, bite) - before);
  if (change === 0) return null;
  return (
    <Said role="status">
      Bath {shownTemperature(local.celsius, me)}: {clock(Math.abs(change))}{" "}
      {change < 0 ? "taken off" : "put on"}
      {live ? " since the dip" : ""}.
    </Said>
  );
}
