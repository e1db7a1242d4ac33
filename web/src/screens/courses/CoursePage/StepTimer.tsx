import type { CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useTimerActs, useWaits } from "../../../frame/Waits";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { NumberField } from "../../../ui/form/Fields";
import { shapeOf, time } from "../../../ui/form/shape";
import { useForm, useShape } from "../../../ui/form/useForm";
import { Mark } from "../../../ui/Mark";
import { Section } from "../../../ui/Section";
import { clock } from "../../../ui/times";

const STEP_SECONDS = 60;

/** Start the wait of a step as a timer; it shows on the bench and at the bath too. */
export function StepTimer({ plate, step }: { plate: Plate; step: CourseStep }) {
  const { start } = useTimerActs();
  const what = step.timer ?? "";
  const shape = useShape(() => shapeOf("TimerIn", { seconds: time(`Timer: ${what}`) }), what);
  const form = useForm<{ seconds: number }, unknown>(shape, {
    start: { seconds: clock(Math.max(1, step.wait_minutes) * 60) },
    send: ({ seconds }) => start.mutateAsync({ plate: plate.id, what, seconds }),
  });
  const running = useWaits().some((t) => t.plate === plate.id && t.what === what);
  return (
    <Section>
      <form noValidate onSubmit={form.submit} className="flex flex-wrap items-start gap-3">
        <NumberField form={form} name="seconds" step={STEP_SECONDS} hint="12:00, 12 min or 90 s" />
        <Button type="submit" className="mt-6" disabled={form.busy}>
          <Mark name="ground" /> {running ? "Start another" : "Start the timer"}
        </Button>
        {form.trouble ? <Care role="alert">{form.trouble}</Care> : null}
      </form>
    </Section>
  );
}
