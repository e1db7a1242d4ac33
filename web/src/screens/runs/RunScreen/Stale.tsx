import { useState } from "react";
import type { Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import type { Immersion } from "../../../device/fold";
import type { Log } from "../../../device/useRun";
import { clock, parseTime, wallClock } from "../../../ui/times";

type Props = { run: Run; dip: Immersion; due: number; now: number; log: Log };

/** A bite far past its time: the lift was surely forgotten. Ask when it was. */
export function Stale({ dip, due, now, log }: Props) {
  const { zone } = useHere();
  const [text, setText] = useState(clock(due - dip.at_seconds));
  const seconds = parseTime(text);
  const liftAfter = (after: number) =>
    log({ kind: "lift", data: { dip: dip.event, remembered: true } }, dip.at_seconds + after);
  return (
    <div style={{ paddingTop: 20 }}>
      <p className="run-next">
        This bite went stale. It was due at {wallClock(due, zone)}, {clock(now - due)} ago.
      </p>
      <p className="run-said">
        Was the lift forgotten? Say when it was, so that the tones are right. If the plate is still
        in the bath, lift it now and look.
      </p>
      <div
        className="run-panel"
        style={{ position: "static", padding: "18px 0", background: "none", border: 0 }}
      >
        <button type="button" onClick={() => liftAfter(due - dip.at_seconds)}>
          It was lifted on time
        </button>
        <span className="field num">
          <input
            aria-label="Lifted after, minutes and seconds"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <span className="unit">min:s</span>
        </span>
        <button
          type="button"
          className="plain"
          disabled={seconds === null || seconds > now - dip.at_seconds}
          onClick={() => seconds !== null && liftAfter(seconds)}
        >
          It was lifted after this
        </button>
        <button
          type="button"
          className="plain"
          onClick={() => log({ kind: "undo", data: { event: dip.event } })}
        >
          It was never dipped
        </button>
      </div>
    </div>
  );
}
