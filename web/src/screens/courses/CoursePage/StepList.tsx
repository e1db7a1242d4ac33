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

type State = CourseStep["status"] | "now";
type Props = { steps: CourseStep[]; chosen: string; choose: (id: string) => void };

/** The steps in working order; where the work stands is the first that is not done. */
export function StepList({ steps, chosen, choose }: Props) {
  const now = steps.find((step) => step.status === "todo")?.id;
  return (
    <ol className="max-desk:max-h-65 max-desk:overflow-y-auto max-desk:border max-desk:border-hair max-desk:px-2 max-desk:py-1">
      {steps.map((step, i) => {
        const before = steps[i - 1];
        const heads = step.group !== before?.group || step.part !== before?.part;
        return (
          <li key={step.id} id={step.id === chosen ? "step-now" : undefined} className="group">
            {heads ? <Heading step={step} /> : null}
            <Row
              step={step}
              state={step.id === now ? "now" : step.status}
              chosen={step.id === chosen}
              choose={() => choose(step.id)}
            />
          </li>
        );
      })}
    </ol>
  );
}

function Heading({ step }: { step: CourseStep }) {
  return (
    <h2 className="mt-3 mb-0.5 border-t-2 border-ink pt-1.5 text-body group-first:mt-0">
      {GROUPS[step.group]}
      {step.part > 1 ? <small className="font-text font-normal">, for {step.route}</small> : null}
    </h2>
  );
}

const NAMES: Record<State, string> = {
  now: "font-bold",
  todo: "",
  done: "text-ink-2 group-aria-[current]/row:text-inherit",
  skipped: "text-ink-2 line-through group-aria-[current]/row:text-inherit",
};
const SAID: Record<State, string> = {
  now: ", now",
  todo: ", to do",
  done: ", done",
  skipped: ", skipped",
};

type RowProps = { step: CourseStep; state: State; chosen: boolean; choose: () => void };

function Row({ step, state, chosen, choose }: RowProps) {
  const wait = step.wait_minutes ? ` + ${step.wait_minutes}` : "";
  return (
    <button
      type="button"
      aria-current={chosen ? "step" : undefined}
      onClick={choose}
      className="group/row grid min-h-8.5 w-full grid-cols-[22px_minmax(0,1fr)_auto] items-center gap-2 py-0.5 pr-2 pl-1 text-left leading-tight aria-[current]:bg-ink aria-[current]:text-paper-lift pointer-coarse:min-h-12"
    >
      <Sign state={state} />
      <span className={NAMES[state]}>
        {step.title}
        <span className="sr-only">{SAID[state]}</span>
      </span>
      <span className="note num group-aria-[current]/row:text-inherit">
        {step.status === "todo" ? `${step.hands_minutes}${wait} min` : ""}
      </span>
    </button>
  );
}

function Sign({ state }: { state: State }) {
  if (state === "done" || state === "skipped") {
    return <Mark name={state === "done" ? "done" : "leave"} size={15} />;
  }
  const look =
    state === "now"
      ? "border-verdigris bg-verdigris"
      : "border-ink-2 group-aria-[current]/row:border-paper-lift";
  return <i className={`ml-0.5 block size-2.75 border-[1.5px] ${look}`} />;
}
