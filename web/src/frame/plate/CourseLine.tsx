import type { CSSProperties } from "react";
import { useNavigate } from "react-router";
import type { Plate } from "../../api/plates";
import { planPath } from "../../processes/paths";
import { useKeys } from "../../ui/useKeys";
import { useHere } from "../useHere";

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
const THINNEST_PX = 1;
const THICKER_PX = 0.5;

/** Where a step of the course leads. */
export function stepPath(room: string, plate: Plate, step: Step["step"]): string {
  const here = `/r/${room}/plates/${plate.id}`;
  const unplanned =
    plate.parts.find((part) => !(plate.planned as string[]).includes(part)) ?? plate.parts[0];
  if (step === "plan" && unplanned) return planPath(room, plate.id, unplanned);
  if (step === "proof") return `${here}/proofs`;
  if (step === "bite" && plate.run) return `/r/${room}/runs/${plate.run.id}`;
  if ((step === "plan" || step === "bite") && plate.by_needle && plate.parts.length === 0)
    return `${here}/marks`;
  if (step === "edition" && plate.by_needle) return `${here}/wear`;
  if (step === "bite" && plate.by_light) return `${here}/expose`;
  return `${here}/course?group=${step}`;
}

type Line = { plate: Plate; short: boolean; keys: boolean };

/** The course on its swelled line; every step can be opened at any time. Short, its facts keep to one line. */
export function CourseLine({ plate, short, keys }: Line) {
  const { room } = useHere();
  const navigate = useNavigate();
  const go = (step: Step) => navigate(stepPath(room, plate, step.step));
  const steps = plate.course.map((step, i) => [String(i + 1), () => go(step)] as const);
  useKeys(keys ? Object.fromEntries(steps) : {});
  const now = Math.max(
    0,
    plate.course.findIndex((step) => step.state === "now"),
  );
  return (
    <>
      <ol className="mt-3 mb-2 grid grid-cols-7 max-phone:hidden">
        {plate.course.map((step, i) => (
          <li key={step.step} className="relative min-w-0">
            <One step={step} place={i} metal={plate.metal} short={short} go={() => go(step)} />
          </li>
        ))}
      </ol>
      <p className="mt-3 mb-2 flex items-baseline gap-2.5 border-t-2 border-b border-t-ink border-b-hair py-2 phone:hidden">
        <b className="font-slab text-h3">{NAMES[plate.course[now]?.step ?? "edition"]}</b>
        <span className="note">
          step {now + 1} of 7. {plate.next_step}
        </span>
      </p>
    </>
  );
}

type OneProps = { step: Step; place: number; metal: string; short: boolean; go: () => void };

function One({ step, place, metal, short, go }: OneProps) {
  const now = step.state === "now";
  const done = step.state === "done";
  const swell = { "--swell": `${THINNEST_PX + place * THICKER_PX}px` } as CSSProperties;
  return (
    <button
      type="button"
      onClick={go}
      aria-current={now ? "step" : undefined}
      className="flex min-h-14.5 w-full flex-col items-stretch pr-1.5 text-left"
    >
      <span
        className={`font-slab text-lead leading-tight ${now ? "font-black" : "font-medium"} ${now || done ? "" : "text-ink-2"}`}
      >
        {NAMES[step.step]}
      </span>
      <span
        aria-hidden="true"
        style={swell}
        className={`swelled relative my-0.5 block h-4 ${done ? "cut" : ""}`}
      >
        <i className={`absolute left-0 ${now ? nowLook(metal) : SQUARE[done ? "done" : "todo"]}`} />
      </span>
      <span
        className={`block text-note leading-tight ${short ? "truncate" : ""} ${now ? "font-semibold text-verdigris" : "text-ink-2"}`}
      >
        {step.fact || (done ? "done" : "")}
        <span className="sr-only">{step.state === "todo" ? "to do" : ""}</span>
      </span>
    </button>
  );
}

const SQUARE = {
  done: "top-1 size-2.25 border-[1.5px] border-ink bg-ink",
  todo: "top-1 size-2.25 border-[1.5px] border-ink bg-paper",
};
const nowLook = (metal: string) =>
  `plate-edge-on top-0.75 h-2.75 w-10.5 ${NOW[metal] ?? "bg-copper"}`;
const NOW: Record<string, string> = {
  zinc: "bg-zinc",
  polymer: "bg-polymer",
  plastic: "bg-plastic",
};
