import { useState } from "react";
import type { Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import type { LocalDip } from "../../../run/local";
import type { Log } from "../../../run/useRun";
import { clock, parseTime, wallClock } from "../../../ui/times";

type Props = { run: Run; dip: LocalDip; due: number; now: number; log: Log };

/** A bite far past its time: the lift was surely forgotten. Ask when it was. */
export function Stale({ dip, due, now, log }: Props) {
  const { zone } = useHere();
  const [text, setText] = useState(clock(due - dip.at));
  const seconds = parseTime(text);
  const liftAfter = (after: number) =>
    log("lift", { dip: dip.id, remembered: true }, dip.at + after);
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
        <button type="button" onClick={() => liftAfter(due - dip.at)}>
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
          disabled={seconds === null || seconds > now - dip.at}
          onClick={() => seconds !== null && liftAfter(seconds)}
        >
          It was lifted after this
        </button>
        <button type="button" className="plain" onClick={() => log("undo", { event: dip.id })}>
          It was never dipped
        </button>
      </div>
    </div>
  );
}
