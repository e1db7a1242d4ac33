import type { EventIn, Run, RunState } from "../api/runs";
import { fold, type Immersion } from "./fold";
import { happened } from "./happened";
import { gained, type Reading, secondsToLift } from "./sheet";

/**
 * A run as this device sees it: everything the server has, and the events that wait to be sent,
 * folded together. When the server has them, its answer is the same.
 */

export type Local = { state: RunState; celsius: number };

export type Bite = {
  number: number;
  of: number;
  open: string[];
  /** Areas that end with this bite. */
  closes: string[];
  /** Areas opened before this bite, before the next, and before any that is still to come. */
  opens: string[];
  opensNext: string[];
  later: string[];
  /** Reference seconds this bite is to gain. */
  target: number;
  /** How long it lasts by the clock, where it was given so; else null. */
  byClock: number | null;
};

export function localRun(run: Run, waiting: EventIn[]): Local {
  const state = fold([...run.events, ...waiting.map(happened)], run.bath_line, areasOf(run));
  return { state, celsius: state.temperature_c ?? run.bath_temperature_c };
}

const areasOf = (run: Run) => run.areas.map((area) => area.name);

export function dipUnderWay(local: Local): Immersion | null {
  return local.state.dips.find((dip) => dip.lifted_seconds === null) ?? null;
}

const done = (state: RunState) => state.dips.filter((dip) => dip.lifted_seconds !== null);

export function readingsOf(local: Local, dip: Immersion): Reading[] {
  return dip.temperatures.length > 0 ? dip.temperatures : [[0, local.celsius]];
}

/** Bites made as the server knows, with those of a run that this one goes on from. */
const made = (run: Run) => run.bites_before + done(run.state).length;

const same = (a: Immersion) => (b: Immersion) =>
  a.event === b.event && a.lifted_seconds === b.lifted_seconds;

/** Bites that one side counts as made and the other does not yet, or no longer. */
function apart(run: Run, local: Local): { more: Immersion[]; fewer: Immersion[] } {
  const [here, there] = [done(local.state), done(run.state)];
  return {
    more: here.filter((dip) => !there.some(same(dip))),
    fewer: there.filter((dip) => !here.some(same(dip))),
  };
}

/** Reference seconds each area has, by this device's reckoning. */
export function reached(run: Run, local: Local): Map<string, number> {
  const { more, fewer } = apart(run, local);
  const totals = new Map(run.sheet.areas.map((a) => [a.name, a.reached_reference_seconds]));
  const count = (dip: Immersion, sign: number) => {
    const length = (dip.lifted_seconds ?? dip.at_seconds) - dip.at_seconds;
    const worth = sign * gained(run.sheet, readingsOf(local, dip), length);
    for (const name of dip.open) totals.set(name, (totals.get(name) ?? 0) + worth);
  };
  for (const dip of fewer) count(dip, -1);
  for (const dip of more) count(dip, 1);
  return totals;
}

/** The bite under way, or the next; null when all are done. */
export function currentBite(run: Run, local: Local): Bite | null {
  const { more, fewer } = apart(run, local);
  const planned = run.sheet.plan.bites;
  const ahead = more.length - fewer.length;
  if (ahead < 0) return again(run, local, planned.length);
  const bite = planned[ahead];
  if (!bite) return null;
  const closes = bite.areas.filter((area) => area.finished).map((area) => area.name);
  return {
    number: run.bites_before + done(local.state).length + 1,
    of: made(run) + planned.length,
    open: bite.areas.map((area) => area.name),
    closes,
    opens: bite.open_before,
    ...toCome(planned.slice(ahead + 1)),
    // one that nothing ends with is as long as what is opened before it asks for, whatever was before
    byClock: run.sheet.by_clock ? clockLeft(run, local, ahead) : null,
    target:
      ahead === 0 || closes.length === 0 ? bite.reference_seconds : target(run, local, closes[0]),
  };
}

const toCome = (planned: Run["sheet"]["plan"]["bites"]) => ({
  opensNext: planned[0]?.open_before ?? [],
  later: planned.flatMap((bite) => bite.open_before),
});

/** A bite whose lift was taken back while there is no line: it goes on as it was made. */
function again(run: Run, local: Local, left: number): Bite | null {
  const before = run.sheet.plan.done[run.bites_before + done(local.state).length];
  const dip = dipUnderWay(local);
  if (!before) return null;
  const next = new Set(run.sheet.plan.bites[0]?.areas.map((area) => area.name));
  const open = dip ? dip.open : before.areas.map((area) => area.name);
  return {
    number: before.number,
    of: made(run) + left,
    open,
    closes: open.filter((name) => !next.has(name)),
    opens: [],
    ...toCome(run.sheet.plan.bites),
    target: before.reference_seconds,
    byClock: run.sheet.by_clock ? before.seconds : null,
  };
}

/** Clock seconds of a bite by habit: what was too long or too short before it is made up for. */
function clockLeft(run: Run, local: Local, ahead: number): number {
  const { done: counted, bites } = run.sheet.plan;
  const bite = bites[ahead];
  if (!bite) return 0;
  if (ahead === 0 || bite.open_before.length > 0) return bite.seconds;
  const earlier = counted.slice(0, run.bites_before).reduce((sum, each) => sum + each.seconds, 0);
  const here = done(local.state).reduce(
    (sum, dip) => sum + (dip.lifted_seconds ?? dip.at_seconds) - dip.at_seconds,
    earlier,
  );
  return Math.max(1, bite.cumulative_seconds - here);
}

function target(run: Run, local: Local, area: string | undefined): number {
  const sheet = run.sheet.areas.find((each) => each.name === area);
  if (!sheet) return 0;
  return Math.max(0, sheet.target_reference_seconds - (reached(run, local).get(sheet.name) ?? 0));
}

/** How long a bite lasts by the clock, with the bath as it was read. */
export const biteLasts = (run: Run, readings: Reading[], bite: Bite): number =>
  bite.byClock ?? secondsToLift(run.sheet, readings, bite.target);

/** When to lift the dip under way [s since the epoch, server's clock]. */
export function liftAt(run: Run, local: Local, dip: Immersion, bite: Bite): number {
  return dip.at_seconds + biteLasts(run, readingsOf(local, dip), bite);
}
