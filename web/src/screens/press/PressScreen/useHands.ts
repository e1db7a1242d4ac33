import type { Press, Pull, PullState } from "../../../api/editions";
import type { Log } from "../../../device/useWaiting";
import { nowSeconds } from "../../../device/clock";
import { lastToTakeBack } from "../../../device/happened";
import type { EventIn } from "../../../api/runs";
import kinds from "../../../api/kinds.gen.json";
import { useSay } from "../../../ui/Toast";

export type Series = NonNullable<Pull["series"]>;
/** As the table of drying has it. */
const DRY_DAYS = { board: 1, blotters: 2, line: 0.5 };
export const CHECKS = ["limp", "no shine", "edges wiped"] as const;

/** What hands do at the press; each is one event with its time, with or without a line. */
export function useHands(press: Press, state: PullState, log: Log, waiting: EventIn[]) {
  const say = useSay();
  const pull = state.under_way;
  const damp = readyBatch(state);
  const undo = () => {
    const last = lastToTakeBack(press.events, waiting);
    if (!last) return say({ text: "Nothing to take back." });
    log({ kind: "undo", data: { event: last.id } });
    say({ text: `Took back: ${kinds.kinds[last.kind].short}.` });
  };
  const paperOut = () => {
    if (!damp) return say({ text: "No paper in the damp." });
    const event = log({ kind: "paper-out", data: { batch: damp.event, pieces: 1 } });
    say({ text: "Paper out. Blot it.", undo: () => log({ kind: "undo", data: { event } }) });
  };
  return {
    ink: () =>
      log({
        kind: "inked",
        data: {
          ink: press.ink?.id ?? null,
          name: press.ink?.name ?? "",
          celsius: press.ink?.warm_c ?? null,
        },
      }),
    wipe: () => log({ kind: "wiped", data: { pull, passes: press.decided.wipes } }),
    lay: (checked: string[]) => {
      const out = outAt(state) > 0;
      if (damp && !out) log({ kind: "paper-out", data: { batch: damp.event, pieces: 1 } });
      // a piece that comes out as it is laid is of the batch it is taken from, not of one before
      const batch = out ? laidFrom(state) : damp;
      log({ kind: "laid", data: { pull, batch: batch?.event ?? null, checked } });
    },
    pull: () =>
      log({
        kind: "pulled",
        data: { pull, passes: passesOf(press, state), spoiled: false, spread: 0.8, note: "" },
      }),
    wipeAgain: () => log({ kind: "wipe-again", data: { pull } }),
    set: (quarters: number) =>
      log({
        kind: "press-set",
        data: { quarters, passes: passesOf(press, state), press: press.press?.id ?? null },
      }),
    passes: (passes: number) =>
      log({
        kind: "press-set",
        data: { quarters: quartersOf(press, state), passes, press: press.press?.id ?? null },
      }),
    spoil: (of: string, reason: string) => log({ kind: "spoiled", data: { pull: of, reason } }),
    sign: (of: string, series: Series, reason = "") =>
      log({ kind: "signed", data: { pull: of, series, reason } }),
    dry: (of: string) =>
      log({
        kind: "hung",
        data: { pulls: [of], how: press.decided.drying, days: DRY_DAYS[press.decided.drying] },
      }),
    clean: () => log({ kind: "plate-cleaned", data: {} }),
    met: (approval: string) => log({ kind: "condition-met", data: { approval, note: "" } }),
    paperOut,
    undo,
  };
}

export type Hands = ReturnType<typeof useHands>;

/** The paper to take next: what must be out first, of what is left. */
export const readyBatch = (state: PullState) =>
  state.batches
    .filter((each) => each.left > 0)
    .sort((a, b) => a.latest_seconds - b.latest_seconds)[0];

const STAYS_DAMP_SECONDS = 2 * 3600;

/**
 * When the piece came out that was not laid yet; 0 where none did. Laid, it stays out until the pull. What came
 * out hours ago, or before fresh paper went in, was the rest of an earlier day.
 */
export function outAt(state: PullState): number {
  const before = state.pulls.filter((each) => each.pulled_seconds !== null);
  const laid = Math.max(0, ...before.map((each) => each.laid_seconds ?? 0));
  const out = Math.max(0, ...state.batches.map((each) => each.out_seconds ?? 0));
  const fresh = state.batches.some((each) => each.out_seconds === null && each.at_seconds > out);
  const old = nowSeconds() - out > STAYS_DAMP_SECONDS;
  return out > laid && !fresh && !old ? out : 0;
}

/** The batch whose piece is laid: the one that came out last, else the next to come. */
const laidFrom = (state: PullState) =>
  [...state.batches].sort((a, b) => (b.out_seconds ?? 0) - (a.out_seconds ?? 0))[0];

export const quartersOf = (press: Press, state: PullState) =>
  state.quarters ?? press.press?.quarters ?? 0;
export const passesOf = (press: Press, state: PullState) =>
  state.quarters === null ? (press.press?.passes ?? 1) : state.passes;

/** The pull to judge: the last that went through, neither signed nor spoiled, nothing begun since. */
export function toJudge(state: PullState): Pull | null {
  if (state.under_way) return null;
  const last = state.pulls.reduce<Pull | null>(
    (found, each) => (each.place > (found?.place ?? 0) ? each : found),
    null,
  );
  return last && last.series === null && last.spoiled === null ? last : null;
}
