import type { RunState } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import type { Log } from "../../../device/useWaiting";
import { useHere } from "../../../frame/useHere";
import { Forgotten } from "../../../ui/night/Forgotten";
import { TimeWord } from "../../../ui/Ticking";
import { clock, wallClock } from "../../../ui/times";

/** `due` is null where no bite was planned. */
type Props = { dip: Immersion; due: number | null; state: RunState; log: Log };

/** A bite far past its time: the lift was surely forgotten. Ask when it was. */
export function Stale({ dip, due, state, log }: Props) {
  const { zone } = useHere();
  const since = due ?? dip.at_seconds;
  return (
    <Forgotten
      id={dip.event}
      began={dip.at_seconds}
      due={due}
      notices={state.notices}
      words={{
        text: (
          <>
            This bite went stale. It {due === null ? "was begun" : "was due"} at{" "}
            {wallClock(since, zone)}, <TimeWord told={(now) => clock(now - since)} /> ago.
          </>
        ),
        hint: "Was the lift forgotten? Say when it was, so that the tones are right. If the plate is still in the bath, lift it now and look.",
        field: "Lifted after, minutes and seconds",
        onTime: "It was lifted on time",
        after: "It was lifted after this",
        never: "It was never dipped",
      }}
      end={(after) =>
        log({ kind: "lift", data: { dip: dip.event, remembered: true } }, dip.at_seconds + after)
      }
      undo={() => log({ kind: "undo", data: { event: dip.event } })}
    />
  );
}
