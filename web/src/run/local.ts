import type { EventIn, Run } from "../api/runs";
import { gained, type Reading, secondsToLift } from "./sheet";

/**
 * A run as this device sees it: the server's last word, and the events that wait to be sent on top
 * of it. When the server has them, its answer replaces all of this.
 */

export type LocalDip = {
  id: string;
  at: number;
  open: string[];
  readings: Reading[];
  lifted: number | null;
};

export type Local = {
  dips: LocalDip[];
  covered: string[];
  coveredSinceLift: boolean;
  rinsed: boolean;
  neutralised: boolean;
  celsius: number;
  lastCared: number | null;
};

export type Bite = {
  number: number;
  of: number;
  open: string[];
  /** Areas to stop out after this bite. */
  closes: string[];
  /** Reference seconds this bite is to gain. */
  target: number;
};

const eventSeconds = (event: EventIn) => (event.monotonic_ms + event.offset_ms) / 1000;

export function localRun(run: Run, waiting: EventIn[]): Local {
  const undone = new Set(
    waiting.filter((e) => e.kind === "undo").map((e) => String(e.data?.event)),
  );
  const start: Local = {
    dips: run.state.dips
      .filter((dip) => !undone.has(dip.event))
      .map((dip) => ({
        id: dip.event,
        at: dip.at_seconds,
        open: dip.open,
        readings: dip.temperatures as unknown as Reading[],
        lifted: dip.lifted_seconds,
      })),
    covered: run.state.covered,
    coveredSinceLift: run.state.covered_since_lift,
    rinsed: run.state.rinsed,
    neutralised: run.state.neutralised,
    celsius: run.state.temperature_c ?? run.bath_temperature_c,
    lastCared: run.state.last_cared_seconds,
  };
  reopen(start, run, undone);
  return waiting
    .filter((event) => !undone.has(event.id))
    .sort((a, b) => eventSeconds(a) - eventSeconds(b) || a.sequence - b.sequence)
    .reduce(apply, start);
}

/** A lift taken back while there is no line puts the plate back into its bath. */
function reopen(local: Local, run: Run, undone: Set<string>): void {
  const lift = run.events.findLast((event) => event.kind === "lift" && undone.has(event.id));
  const last = local.dips.at(-1);
  if (lift && last && last.lifted !== null) last.lifted = null;
}

function apply(local: Local, event: EventIn): Local {
  const at = eventSeconds(event);
  const last = local.dips.at(-1);
  const inBath = last && last.lifted === null ? last : null;
  switch (event.kind) {
    case "dip":
      if (inBath) return local;
      return {
        ...local,
        dips: [
          ...local.dips,
          {
            id: event.id,
            at,
            open: event.data?.open as string[],
            readings: [[0, local.celsius]],
            lifted: null,
          },
        ],
      };
    case "lift":
      if (!inBath) return local;
      return {
        ...local,
        dips: [...local.dips.slice(0, -1), { ...inBath, lifted: Math.max(at, inBath.at) }],
        coveredSinceLift: false,
        rinsed: false,
        neutralised: false,
      };
    case "temperature": {
      const celsius = Number(event.data?.celsius);
      if (!inBath) return { ...local, celsius };
      const readings: Reading[] = [...inBath.readings, [at - inBath.at, celsius]];
      return { ...local, celsius, dips: [...local.dips.slice(0, -1), { ...inBath, readings }] };
    }
    case "covered":
      return {
        ...local,
        covered: [...new Set([...local.covered, ...((event.data?.areas ?? []) as string[])])],
        coveredSinceLift: true,
      };
    case "rinsed":
      return { ...local, rinsed: true };
    case "neutralised":
      return { ...local, neutralised: true };
    case "rocked":
    case "feathered":
      return { ...local, lastCared: at };
    default:
      return local;
  }
}

export function dipUnderWay(local: Local): LocalDip | null {
  const last = local.dips.at(-1);
  return last && last.lifted === null ? last : null;
}

export function readingsOf(local: Local, dip: LocalDip): Reading[] {
  return dip.readings.length > 0 ? dip.readings : [[0, local.celsius]];
}

/** Reference seconds each area has, by this device's reckoning. */
export function reached(run: Run, local: Local): Map<string, number> {
  const known = run.state.dips.filter((dip) => dip.lifted_seconds !== null).length;
  const totals = new Map(run.sheet.areas.map((a) => [a.name, a.reached_reference_seconds]));
  for (const dip of local.dips.slice(known)) {
    if (dip.lifted === null) continue;
    const more = gained(run.sheet, readingsOf(local, dip), dip.lifted - dip.at);
    for (const name of dip.open) totals.set(name, (totals.get(name) ?? 0) + more);
  }
  return totals;
}

/** The bite under way, or the next; null when all are done. */
export function currentBite(run: Run, local: Local): Bite | null {
  const known = run.state.dips.filter((dip) => dip.lifted_seconds !== null).length;
  const done = local.dips.filter((dip) => dip.lifted !== null).length;
  const planned = run.sheet.plan.bites;
  const bite = planned[Math.max(0, done - known)];
  if (!bite) return null;
  const closes = bite.areas.filter((area) => area.finished).map((area) => area.name);
  return {
    number: done + 1,
    of: known + planned.length,
    open: bite.areas.map((area) => area.name),
    closes,
    target: done === known ? bite.reference_seconds : target(run, local, closes[0]),
  };
}

function target(run: Run, local: Local, area: string | undefined): number {
  const sheet = run.sheet.areas.find((each) => each.name === area);
  if (!sheet) return 0;
  return Math.max(0, sheet.target_reference_seconds - (reached(run, local).get(sheet.name) ?? 0));
}

/** When to lift the dip under way [s since the epoch, server's clock]. */
export function liftAt(run: Run, local: Local, dip: LocalDip, bite: Bite): number {
  return dip.at + secondsToLift(run.sheet, readingsOf(local, dip), bite.target);
}
