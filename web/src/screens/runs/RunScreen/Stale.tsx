import kinds from "../../../api/kinds.gen.json";
import { nowSeconds } from "../../../device/clock";
import type { RunState } from "../../../api/runs";
import type { Immersion } from "../../../device/fold";
import type { Log } from "../../../device/useRun";
import { useHere } from "../../../frame/useHere";
import { type Shape, time } from "../../../ui/form/shape";
import { useForm, useShape } from "../../../ui/form/useForm";
import { TimeWord } from "../../../ui/Ticking";
import { clock, wallClock } from "../../../ui/times";
import { FarText, NightButton, Said } from "../../../ui/night/Night";
import { NightField } from "./NightField";
import { Notices } from "./Notices";

/** `due` is null where no bite was planned. */
type Props = { dip: Immersion; due: number | null; state: RunState; log: Log };

/** A bite is reckoned for so long at most. */
const reckoned = (seconds: number) => Math.min(seconds, kinds.longest_seconds);

const liftedWithin = (seconds: number): Shape => ({
  fields: {
    after: { ...time("Lifted after, minutes and seconds"), low: 0, high: seconds, needed: true },
  },
});

/** A bite far past its time: the lift was surely forgotten. Ask when it was. */
export function Stale({ dip, due, state, log }: Props) {
  const { zone } = useHere();
  const since = due ?? dip.at_seconds;
  const planned = reckoned(since - dip.at_seconds);
  const shape = useShape(() => liftedWithin(reckoned(nowSeconds() - dip.at_seconds)), dip.event);
  const liftAfter = (after: number) =>
    log({ kind: "lift", data: { dip: dip.event, remembered: true } }, dip.at_seconds + after);
  const form = useForm<{ after: number }, void>(shape, {
    start: { after: clock(planned) },
    send: async ({ after }) => {
      liftAfter(after);
    },
  });
  return (
    <div className="pt-5">
      <FarText>
        This bite went stale. It {due === null ? "was begun" : "was due"} at{" "}
        {wallClock(since, zone)}, <TimeWord told={(now) => clock(now - since)} /> ago.
      </FarText>
      <Said>
        Was the lift forgotten? Say when it was, so that the tones are right. If the plate is still
        in the bath, lift it now and look.
      </Said>
      <Notices state={state} />
      <form
        noValidate
        onSubmit={form.submit}
        className="flex flex-wrap items-center gap-x-6 gap-y-3 py-4.5"
      >
        {due === null ? null : (
          <NightButton onClick={() => liftAfter(planned)}>It was lifted on time</NightButton>
        )}
        <NightField form={form} name="after" step={5} hidden />
        <NightButton plain type="submit">
          It was lifted after this
        </NightButton>
        <NightButton plain onClick={() => log({ kind: "undo", data: { event: dip.event } })}>
          It was never dipped
        </NightButton>
      </form>
    </div>
  );
}
