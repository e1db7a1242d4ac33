import type { Marks, MarksState } from "../../../api/marks";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { useNowOf } from "../../../ui/useNow";
import { shownRun } from "../../../ui/units";
import { spanWords } from "./words";

type Props = { marks: Marks; state: MarksState; log: Log };

const MINUTE = 60;

/** How long the hand still has to draw, when it rests; sitting down, resting, sharpening. */
export function Hand({ marks, state, log }: Props) {
  const { me } = useHere();
  const sitting = state.sittings.find((each) => each.ended_seconds === null) ?? null;
  const engraving = marks.kind === "engraving";
  const pace = `${shownRun(marks.pace_m_per_min * 60, me)} an hour${marks.pace_counted ? "" : ", a guess"}`;
  return (
    <section className="border-t-2 border-ink pt-2">
      <span className="flex items-baseline gap-3">
        <h2 className="mr-auto text-h3">Your hand</h2>
        <span className="note">
          {marks.minutes_left > 0
            ? `to do: ${spanWords(marks.minutes_left)}`
            : "nothing left to draw"}
        </span>
      </span>
      <Blocks marks={marks} />
      <p className="mt-1">
        {sitting ? <Since at={sitting.at_seconds} /> : marks.hand.text}{" "}
        <span className="note">{pace}.</span>
      </p>
      {marks.hand.strained ? <Care className="mt-1">{marks.hand.text}</Care> : null}
      <span className="mt-1.5 flex flex-wrap gap-2">
        {sitting ? (
          <Button
            look="plain"
            onClick={() => log({ kind: "got-up", data: { sat: sitting.event, remembered: false } })}
          >
            Rest
          </Button>
        ) : (
          <Button
            look="plain"
            onClick={() => log({ kind: "sat-down", data: { work: marks.kind } })}
          >
            Sit down
          </Button>
        )}
        {engraving ? (
          <Button look="plain" onClick={() => log({ kind: "sharpened", data: { bites: true } })}>
            Sharpened
          </Button>
        ) : null}
        <Undo state={state} log={log} />
      </span>
      {engraving ? <Burin marks={marks} state={state} /> : null}
      <p className="note mt-1">
        Worked <span className="num">{spanWords(state.worked_seconds / MINUTE)}</span> in{" "}
        {state.sittings.length === 1 ? "1 sitting" : `${state.sittings.length} sittings`}. Sore or
        numb: stop, and let it rest.
      </p>
    </section>
  );
}

function Since({ at }: { at: number }) {
  const minutes = useNowOf((now) => Math.max(0, Math.floor((now - at) / MINUTE)));
  return (
    <b className="text-verdigris">
      At it for <span className="num">{minutes}</span> min.
    </b>
  );
}

/** The last sitting or sharpening, taken back. */
function Undo({ state, log }: Omit<Props, "marks">) {
  const last = state.sittings.at(-1);
  if (!last) return null;
  return (
    <Button look="quiet" onClick={() => log({ kind: "undo", data: { event: last.event } })}>
      Take back the last sitting
    </Button>
  );
}

function Burin({ marks, state }: Omit<Props, "log">) {
  const minutes = state.since_sharpened_seconds / MINUTE;
  const usual = Math.round(marks.sharpen_minutes);
  return (
    <p className={`mt-1 ${marks.sharpen_due ? "font-semibold text-ferric-deep" : ""}`}>
      <span className="num">{Math.round(minutes)}</span> min engraved since it was sharpened;{" "}
      {marks.sharpen_counted ? "yours lasts" : "a burin lasts about"}{" "}
      <span className="num">{usual}</span>.{" "}
      {marks.sharpen_due ? "Sharpen it: it must bite on the thumbnail." : ""}
    </p>
  );
}

const MOST_MINUTES = 300;

/** Work as bars, rests between them, of today. */
function Blocks({ marks }: { marks: Marks }) {
  const today = marks.hand.blocks.filter((each) => each.day === 0);
  const first = today[0];
  const last = today.at(-1);
  if (!first || !last) return null;
  const span = Math.min(MOST_MINUTES, Math.max(30, last.end_minute - first.start_minute));
  const at = (minute: number) => (100 * (minute - first.start_minute)) / span;
  return (
    <svg
      viewBox="0 0 100 9"
      preserveAspectRatio="none"
      className="mt-1.5 block h-5 w-full"
      aria-hidden="true"
    >
      {today.map((each) => (
        <rect
          key={each.start_minute}
          x={at(each.start_minute)}
          width={Math.max(0.2, at(each.end_minute) - at(each.start_minute))}
          y={each.rests ? 2 : 0.5}
          height={each.rests ? 5 : 8}
          className={each.rests ? "fill-none stroke-ink-3" : "fill-ink"}
          strokeDasharray="1.5 1"
          strokeWidth="0.5"
        />
      ))}
    </svg>
  );
}
