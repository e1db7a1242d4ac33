import { useState } from "react";
import { useNavigate } from "react-router";
import type { Course, CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/paths";
import { Button, ButtonLink } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { listed } from "../../../ui/listed";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { MeasureField } from "./MeasureField";
import { useStepForm } from "./useStepForm";

type Props = { plate: Plate; course: Course; step: CourseStep; next: (id: string) => void };

/** What was noted, and what to do with the step; typed words stay through any refusal. */
export function StepForm(props: Props) {
  return props.step.by_itself ? <ByItself {...props} /> : <Noted {...props} />;
}

function Noted({ plate, course, step, next }: Props) {
  const { form, act } = useStepForm(plate, course, step, next);
  const todo = step.status === "todo";
  const { asks, submit } = useNothingNoted(form, step);
  return (
    <Section id="done-here">
      <form noValidate onSubmit={submit}>
        {step.waits_for.length > 0 && todo ? (
          <Care className="mb-2.5" more="Do that first, or say below why not.">
            Comes after: {step.waits_for.join("; ")}.
          </Care>
        ) : null}
        {step.by_clock && todo ? <ByTheClock plate={plate} /> : null}
        <div className="mb-3 flex flex-wrap items-start gap-x-4.5 gap-y-3 [&>*]:min-w-30">
          {step.measures.map((measure) => (
            <MeasureField key={measure.key} form={form} measure={measure} />
          ))}
        </div>
        <TextField form={form} name="reason" />
        {asks ? (
          <Care
            role="alert"
            className="mt-3"
            more="Note what you saw, or press again: it is done, with nothing noted."
          >
            Nothing is noted of {listed(step.measures.map((each) => each.label.toLowerCase()))}.
          </Care>
        ) : null}
        <FormFoot
          form={form}
          submit={!todo ? "Keep the changes" : asks ? "Done all the same" : "Done"}
        >
          <Button onClick={() => act(todo ? "skip" : "reopen")}>
            {todo ? "Skip it" : "Not done after all"}
          </Button>
          <Button look="quiet" onClick={() => act("again")}>
            Once more
          </Button>
          {step.instead.map((key) => (
            <Button key={key} look="quiet" onClick={() => act("swap", [key])}>
              {course.can_add[key]} instead
            </Button>
          ))}
        </FormFoot>
      </form>
    </Section>
  );
}

/** A step whose every check is left "not noted" is asked about once before it is done. */
function useNothingNoted(form: Form, step: CourseStep) {
  const [asked, setAsked] = useState(false);
  const noted = Object.values(useTyped<Record<string, string>>(form, "measures") ?? {});
  const nothing = step.measures.length > 0 && noted.every((each) => each === "");
  const unasked = step.status === "todo" && nothing && !asked;
  const submit: Form["submit"] = async (event) => {
    if (!unasked) return form.submit(event);
    event?.preventDefault();
    setAsked(true);
  };
  return { asks: asked && nothing && step.status === "todo", submit };
}

/** Stages of an exposure: gone through by the clock, they are done by themselves. */
function ByTheClock({ plate }: { plate: Plate }) {
  const { room } = useHere();
  return (
    <p className="mb-2.5 flex flex-wrap items-center gap-3">
      <ButtonLink to={`/r/${room}/plates/${plate.id}/expose`}>Do it by the clock</ButtonLink>
      <span className="note">Then it is done by itself; or note below what you did.</span>
    </p>
  );
}

/** Steps whose state follows from the plan or the run. */
function ByItself({ plate, step }: Props) {
  const { room } = useHere();
  const navigate = useNavigate();
  const process = plate.processes.find((each) => each.key === step.plans);
  const to = process
    ? planPath(room, plate.id, process.key)
    : plate.run
      ? `/r/${room}/runs/${plate.run.id}`
      : `/r/${room}/plates/${plate.id}`;
  return (
    <Section>
      <Button look="strong" onClick={() => navigate(to)}>
        {process ? `Plan ${process.many}` : plate.run ? "Go to the bath" : "Plate page"}
      </Button>{" "}
      <span className="note">It is done when the plan is kept, or the run ended.</span>
    </Section>
  );
}
