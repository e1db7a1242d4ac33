import type { ComponentProps, ReactNode } from "react";
import type { Run } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import type { Bite } from "../../../device/local";
import { Key } from "../../../ui/Key";
import { Mark } from "../../../ui/Mark";
import type { Acts } from "./useActs";

type Props = { run: Run; dip: Immersion | null; bite: Bite | null; acts: Acts };

/** One big control, and three small ones. */
export function Hands({ run, dip, bite, acts }: Props) {
  const left = prepare(run, acts);
  return (
    <footer className="col-span-full grid grid-cols-[minmax(0,1fr)_176px_196px_168px] border-t-2 border-night-line max-desk:row-start-4 max-desk:grid-cols-3 max-desk:grid-rows-[140px_1fr] max-phone:grid-rows-[122px_1fr] flat:col-span-1 flat:col-start-2 flat:row-start-2 flat:grid-cols-1 flat:grid-rows-[minmax(96px,1fr)_repeat(3,minmax(48px,56px))] flat:border-t-0 flat:border-l-2">
      {dip ? (
        <Big look="go" onClick={acts.main}>
          <Mark name="lift" />
          {run.process.hands.lift}
          <Key className="h-14.5! px-4.5! text-far! max-phone:hidden flat:hidden">Space</Key>
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
    </footer>
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
      <Key className="h-14.5! px-4.5! text-far! max-phone:hidden flat:hidden">Space</Key>
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

const BIG = {
  go: "bg-night-verdigris text-far-4 text-night outline-solid",
  wait: "bg-night-2 text-far-3 text-night-ink outline-dashed",
  ask: "bg-night-ferric text-far-3 text-night outline-solid",
};

/** The control that hands in wet gloves find. */
export function Big({ look, ...rest }: ComponentProps<"button"> & { look: keyof typeof BIG }) {
  return (
    <button
      type="button"
      className={`flex min-h-24 items-center justify-center gap-7 px-4 font-slab leading-none font-black outline-[5px] -outline-offset-12 outline-night-ink disabled:bg-night-2 disabled:text-night-ink max-desk:col-span-full max-phone:gap-4.5 max-phone:text-far-3 [&>svg]:size-23 [&>svg]:flex-none max-phone:[&>svg]:size-15 short:text-far-3 short:[&>svg]:size-15 flat:flex-col flat:gap-1.5 flat:px-3 flat:text-far-2 flat:[&>svg]:size-11 ${BIG[look]}`}
      {...rest}
    />
  );
}

function Small({
  letter,
  children,
  ...rest
}: ComponentProps<"button"> & { letter: string; children: ReactNode }) {
  return (
    <button
      type="button"
      className="flex min-h-24 flex-col items-center justify-center gap-3 border-l-2 border-night-line px-1 text-far font-semibold disabled:text-night-ink-2 max-desk:flex-row max-desk:border-t-2 max-desk:text-h2 max-desk:first-of-type:border-l-0 max-phone:min-h-16 max-phone:text-lead flat:min-h-0 flat:border-t-2 flat:border-l-0 flat:text-lead"
      {...rest}
    >
      <Key className="h-12.5! min-w-13.5! rounded-plate! border-2! border-b-5! text-far! max-phone:hidden short:hidden! flat:hidden!">
        {letter}
      </Key>
      {children}
    </button>
  );
}
