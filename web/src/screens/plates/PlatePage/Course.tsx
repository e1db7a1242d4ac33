import { useNavigate } from "react-router";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/registry";
import { useKeys } from "../../../ui/useKeys";

type Step = Plate["course"][number];

const NAMES: Record<Step["step"], string> = {
  prepare: "Prepare",
  image: "Image",
  ground: "Ground",
  plan: "Plan",
  bite: "Bite",
  proof: "Proof",
  edition: "Edition",
};
/** The course on its swelled line; every step can be opened at any time. */
export function Course({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const navigate = useNavigate();
  const go = (step: Step) => {
    const here = `/r/${room}/plates/${plate.id}`;
    const unplanned = plate.parts.find((part) => !plate.planned.includes(part)) ?? plate.parts[0];
    if (step.step === "plan" && unplanned) {
      navigate(planPath(room, plate.id, unplanned));
    } else if (step.step === "proof") navigate(`${here}/proofs`);
    else if (step.step === "bite" && plate.run) navigate(`/r/${room}/runs/${plate.run.id}`);
    else navigate(`${here}/course?group=${step.step}`);
  };
  useKeys(Object.fromEntries(plate.course.map((step, i) => [String(i + 1), () => go(step)])));
  const now = plate.course.findIndex((step) => step.state === "now");
  const metal = plate.metal === "zinc" ? "var(--zinc)" : "var(--copper)";
  return (
    <>
      <ol className="course" style={{ "--metal": metal } as React.CSSProperties}>
        {plate.course.map((step, i) => (
          <li
            key={step.step}
            className={step.state}
            style={{ "--w": `${1 + i * 0.5}px` } as React.CSSProperties}
          >
            <button
              type="button"
              onClick={() => go(step)}
              aria-current={step.state === "now" ? "step" : undefined}
            >
              <span className="name">{NAMES[step.step]}</span>
              <span className="bar" aria-hidden="true">
                <i />
              </span>
              <span className="fact">
                {step.fact || (step.state === "done" ? "done" : "")}
                <span className="vh">{step.state === "todo" ? "to do" : ""}</span>
              </span>
            </button>
          </li>
        ))}
      </ol>
      <p className="course-phone">
        <b style={{ fontFamily: "var(--slab)", fontSize: 20 }}>
          {NAMES[plate.course[Math.max(0, now)]?.step ?? "edition"]}
        </b>
        <span className="note">
          step {Math.max(0, now) + 1} of 7. {plate.next_step}
        </span>
      </p>
    </>
  );
}
