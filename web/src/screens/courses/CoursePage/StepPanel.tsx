import type { Course, CourseStep } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { Mark } from "../../../ui/Mark";
import { Said } from "../../../ui/Said";
import { momentOf } from "../../../ui/times";
import { StepExtra } from "./StepExtra";
import { StepForm } from "./StepForm";
import { StepTimer } from "./StepTimer";

type Props = {
  plate: Plate;
  course: Course;
  step: CourseStep;
  next: (id: string) => void;
};

/** One step: cautions first, then why, what good looks like, how it fails; then what was done. */
export function StepPanel({ plate, course, step, next }: Props) {
  return (
    <article
      aria-live="polite"
      className="plate-mark min-w-0 px-6 pt-4.5 pb-5.5 max-phone:px-3.5 max-phone:pt-3.5"
    >
      <header className="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1.5">
        <h2 id="step-title" tabIndex={-1} className="scroll-mt-16 outline-none">
          {step.title}
        </h2>
        <Stands step={step} />
      </header>
      <div className="grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] gap-x-7 gap-y-2 max-phone:grid-cols-1">
        <Why step={step} />
        <Needs step={step} />
      </div>
      <StepExtra plate={plate} course={course} step={step} />
      {step.timer ? <StepTimer plate={plate} step={step} /> : null}
      <StepForm plate={plate} course={course} step={step} next={next} />
    </article>
  );
}

const HEAD = "mt-3.5 mb-0.5 text-body first:mt-0";

function Why({ step }: { step: CourseStep }) {
  return (
    <div>
      <p>
        <Said>{step.why}</Said>
      </p>
      <h3 className={HEAD}>Good looks like</h3>
      <p>
        <Said>{step.good}</Said>
      </p>
      {step.fails.length > 0 ? (
        <>
          <h3 className={HEAD}>If it fails</h3>
          <dl>
            {step.fails.map((each) => (
              <div
                key={each.sign}
                className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-3 border-b border-hair py-1"
              >
                <dt className="font-semibold">
                  <Said>{each.sign}</Said>
                </dt>
                <dd>
                  <Said>{each.mend}</Said>
                </dd>
              </div>
            ))}
          </dl>
        </>
      ) : null}
    </div>
  );
}

function Needs({ step }: { step: CourseStep }) {
  return (
    <aside>
      {step.at_hand.length > 0 ? (
        <>
          <h3 className={HEAD}>At hand</h3>
          <p>{step.at_hand.join(", ")}</p>
        </>
      ) : null}
      <h3 className={HEAD}>Time</h3>
      <p>
        <span className="num">{step.hands_minutes}</span> min of hands
        {step.wait_minutes ? (
          <>
            , <span className="num">{step.wait_minutes}</span> min waiting
          </>
        ) : null}
        . A guess until you have timed it.
      </p>
      {step.cautions.map((caution) => (
        <Caution key={caution.title} caution={caution} />
      ))}
    </aside>
  );
}

const LEVEL = {
  danger: { line: "border-vermilion", text: "text-vermilion" },
  care: { line: "border-ferric-deep", text: "text-ferric-deep" },
} as const;

function Caution({ caution }: { caution: CourseStep["cautions"][number] }) {
  const look = LEVEL[caution.level];
  return (
    <details open className={`mt-3 border-t-[1.5px] pt-1.5 ${look.line}`}>
      <summary className={`flex items-center gap-2 font-bold [&>svg]:flex-none ${look.text}`}>
        <Mark name={caution.level} size={20} />
        {caution.title}
      </summary>
      <p className="mt-0.5">
        <Said>{caution.text}</Said>
      </p>
      <p className="note mt-0.5">
        <b>If it went wrong:</b> <Said>{caution.now}</Said>
      </p>
    </details>
  );
}

/** How the step stands: tried, done or skipped, by whom and when. */
function Stands({ step }: { step: CourseStep }) {
  const { zone } = useHere();
  if (step.status === "todo") {
    return step.tries > 0 ? <Care>tried {step.tries}×, to do again</Care> : null;
  }
  const at = step.at ? momentOf(step.at, zone) : "";
  return (
    <span className="note">
      {step.status === "skipped" ? "Skipped" : "Done"}
      {step.by ? ` by ${step.by}` : ""}
      {at ? `, ${at}` : ""}
      {step.reason ? <Said>{`. ${step.reason}`}</Said> : null}
    </span>
  );
}
