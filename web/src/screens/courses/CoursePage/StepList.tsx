import type { CourseStep } from "../../../api/courses";
import { Mark } from "../../../ui/Mark";

const GROUPS: Record<CourseStep["group"], string> = {
  prepare: "Prepare",
  image: "Image",
  ground: "Ground",
  plan: "Plan",
  bite: "Bite",
  proof: "Proof",
  edition: "Edition",
};

type Props = { steps: CourseStep[]; chosen: string; choose: (id: string) => void };

/** The steps in working order; where the work stands is the first that is not done. */
export function StepList({ steps, chosen, choose }: Props) {
  const now = steps.find((step) => step.status === "todo")?.id;
  return (
    <ol className="steps">
      {steps.map((step, i) => {
        const before = steps[i - 1];
        const heads = step.group !== before?.group || step.part !== before?.part;
        const state = step.id === now ? "now" : step.status;
        return (
          <li key={step.id} className={state} id={step.id === chosen ? "step-now" : undefined}>
            {heads ? (
              <h2>
                {GROUPS[step.group]}
                {step.part > 1 ? <small>, for {step.route}</small> : null}
              </h2>
            ) : null}
            <button
              type="button"
              aria-current={step.id === chosen ? "step" : undefined}
              onClick={() => choose(step.id)}
            >
              <span className="sign">
                {state === "done" ? (
                  <Mark name="done" size={15} />
                ) : state === "skipped" ? (
                  <Mark name="leave" size={15} />
                ) : (
                  <i />
                )}
              </span>
              <span className="name">
                {step.title}
                <span className="vh">
                  {state === "now" ? ", now" : state === "todo" ? ", to do" : `, ${state}`}
                </span>
              </span>
              <span className="n note">
                {step.status === "todo"
                  ? `${step.hands_minutes}${step.wait_minutes ? ` + ${step.wait_minutes}` : ""} min`
                  : ""}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
