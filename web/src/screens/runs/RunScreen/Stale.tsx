import { nowSeconds } from "../../../device/clock";
import type { Immersion } from "../../../device/fold";
import type { Log } from "../../../device/useRun";
import { useHere } from "../../../frame/useHere";
import { type Shape, time } from "../../../ui/form/shape";
import { useForm, useShape } from "../../../ui/form/useForm";
import { TimeWord } from "../../../ui/Ticking";
import { clock, wallClock } from "../../../ui/times";
import { FarText, NightButton, Said } from "../../../ui/night/Night";
import { NightField } from "./NightField";

type Props = { dip: Immersion; due: number; log: Log };

const liftedWithin = (seconds: number): Shape => ({
  fields: {
    after: { ...time("Lifted after, minutes and seconds"), low: 0, high: seconds, needed: true },
  },
});

/** A bite far past its time: the lift was surely forgotten. Ask when it was. */
export function Stale({ dip, due, log }: Props) {
  const { zone } = useHere();
  const planned = due - dip.at_seconds;
  const shape = useShape(() => liftedWithin(nowSeconds() - dip.at_seconds), dip.event);
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
        This bite went stale. It was due at {wallClock(due, zone)},{" "}
        <TimeWord told={(now) => clock(now - due)} /> ago.
      </FarText>
      <Said>
        Was the lift forgotten? Say when it was, so that the tones are right. If the plate is still
        in the bath, lift it now and look.
      </Said>
      <form
        noValidate
        onSubmit={form.submit}
        className="flex flex-wrap items-center gap-x-6 gap-y-3 py-4.5"
      >
        <NightButton onClick={() => liftAfter(planned)}>It was lifted on time</NightButton>
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
