import type { Run } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import type { Bite } from "../../../device/local";
import { Mark } from "../../../ui/Mark";
import { Big, Foot, Small, SpaceKey } from "../../../ui/night/Controls";
import type { Acts } from "./useActs";

type Props = { run: Run; dip: Immersion | null; bite: Bite | null; acts: Acts };

/** One big control, and three small ones. */
export function Hands({ run, dip, bite, acts }: Props) {
  const left = prepare(run, acts);
  return (
    <Foot>
      {dip ? (
        <Big look="go" onClick={acts.main}>
          <Mark name="lift" />
          {run.process.hands.lift}
          <SpaceKey />
        </Big>
      ) : (
        <Dip run={run} bite={bite} acts={acts} wait={left?.wait ?? null} />
      )}
      {dip ? (
        <Small letter="F" onClick={acts.care}>
          {run.care.done}
        </Small>
      ) : (
        <Small letter="C" disabled={!left} onClick={acts.prepared}>
          {left?.done ?? "Covered"}
        </Small>
      )}
      <Small letter="T" onClick={() => acts.ask("temperature")}>
        Temperature
      </Small>
      <Small letter="Z" onClick={acts.undo}>
        Undo last
      </Small>
    </Foot>
  );
}

const MOST_NAMED = 3;

/** What hands do to the plate before the next dip; null when it is done. */
function prepare(run: Run, acts: Acts): { done: string; wait: string } | null {
  const [cover, open] = [acts.toCover(), acts.toOpen()];
  const { done } = run.process.hands.opening;
  const say = (names: string[], how: string) =>
    names.length > MOST_NAMED
      ? `when all is ${how}`
      : `when ${names.join(", ").toLowerCase()} ${names.length > 1 ? "are" : "is"} ${how}`;
  if (cover.length > 0) return { done: "Covered", wait: say(cover, "covered and dry") };
  return open.length > 0 ? { done, wait: say(open, done.toLowerCase()) } : null;
}

type DipProps = { run: Run; bite: Bite | null; acts: Acts; wait: string | null };

/** Dip, once the plate is as it is asked for; a first press before that asks. */
function Dip({ run, bite, acts, wait }: DipProps) {
  const ask = acts.asked === "dip-anyway";
  if (!bite || run.ended_at) return <End run={run} acts={acts} />;
  const verb = run.process.hands.dip;
  return (
    <Big look={ask ? "ask" : wait ? "wait" : "go"} onClick={acts.main}>
      <Mark name="dip" />
      {ask ? <span className="text-far-2">{verb} anyway?</span> : verb}
      <SpaceKey />
      {wait && !ask ? (
        <em className="max-w-58 text-left font-text text-h2 leading-tight font-medium text-night-ink-2 not-italic max-phone:max-w-30 max-phone:text-body flat:max-w-none flat:px-3 flat:text-center flat:text-body">
          {wait}
        </em>
      ) : null}
    </Big>
  );
}

/** All bites are made. */
function End({ run, acts }: { run: Run; acts: Acts }) {
  return (
    <Big look="go" disabled={run.ended_at !== null || acts.ending} onClick={acts.main}>
      <Mark name="proof" />
      <span className="text-far-2">
        {run.ended_at ? "Ended" : run.strip ? "End and read the strip" : "End the run and proof"}
      </span>
    </Big>
  );
}
