import type { Course, CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { Mark } from "../../../ui/Mark";
import { StepExtra } from "./StepExtra";
import { StepForm } from "./StepForm";
import { StepTimer } from "./StepTimer";

/** What a step looks up. */
type Props = {
  plate: Plate;
  course: Course;
  step: CourseStep;
  next: (id: string) => void;
};

/** One step: cautions first, then why, what good looks like, how it fails; then what was done. */
export function StepPanel({ plate, course, step, next }: Props) {
  return (
    <article className="pm step" aria-live="polite">
      <header>
        <h2>{step.title}</h2>
        <Stands step={step} />
      </header>
      <div className="step-cols">
        <div>
          <p className="m-0">{step.why}</p>
          <h3>Good looks like</h3>
          <p className="m-0">{step.good}</p>
          {step.fails.length > 0 ? (
            <>
              <h3>If it fails</h3>
              <dl className="fails">
                {step.fails.map((each) => (
                  <div key={each.sign}>
                    <dt>{each.sign}</dt>
                    <dd>{each.mend}</dd>
                  </div>
                ))}
              </dl>
            </>
          ) : null}
        </div>
        <aside>
          {step.at_hand.length > 0 ? (
            <>
              <h3>At hand</h3>
              <p className="m-0">{step.at_hand.join(", ")}</p>
            </>
          ) : null}
          <h3>Time</h3>
          <p className="m-0">
            <span className="n">{step.hands_minutes}</span> min of hands
            {step.wait_minutes ? (
              <>
                , <span className="n">{step.wait_minutes}</span> min waiting
              </>
            ) : null}
            . A guess until you have timed it.
          </p>
          {step.cautions.map((caution) => (
            <details key={caution.title} className={`caution ${caution.level}`} open>
              <summary>
                <Mark name={caution.level} size={20} />
                {caution.title}
              </summary>
              <p>{caution.text}</p>
              <p className="note">
                <b>If it went wrong:</b> {caution.now}
              </p>
            </details>
          ))}
        </aside>
      </div>
      <StepExtra plate={plate} course={course} step={step} />
      {step.timer ? <StepTimer plate={plate} step={step} /> : null}
      <StepForm plate={plate} course={course} step={step} next={next} />
    </article>
  );
}

function Stands({ step }: { step: CourseStep }) {
  const { zone } = useHere();
  if (step.status === "todo") {
    return step.tries > 0 ? (
      <span className="care">
        <Mark name="care" />
        tried {step.tries}×, to do again
      </span>
    ) : null;
  }
  const at = step.at
    ? new Intl.DateTimeFormat("en-GB", {
        day: "numeric",
        month: "short",
        hour: "2-digit",
        minute: "2-digit",
        timeZone: zone,
      }).format(new Date(step.at))
    : "";
  return (
    <span className="note">
      {step.status === "skipped" ? "Skipped" : "Done"}
      {step.by ? ` by ${step.by}` : ""}
      {at ? `, ${at}` : ""}
      {step.reason ? `. ${step.reason}` : ""}
    </span>
  );
}
