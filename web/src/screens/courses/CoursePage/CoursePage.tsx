import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { useSearchParams } from "react-router";
import { type Course, courseQuery } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Beside } from "../../../ui/Section";
import { Asking } from "../../../ui/Asking";
import { useKeys } from "../../../ui/useKeys";
import { AddSteps } from "./AddSteps";
import { StepList } from "./StepList";
import { StepPanel } from "./StepPanel";

/** A plate's course, step by step: why, what good looks like, how it fails, what was done. */
export function CoursePage() {
  const { room } = useHere();
  const { plate } = usePlate();
  const { data: course, error } = useQuery(courseQuery(room, plate.id));
  if (course) return <Steps key={plate.id} plate={plate} course={course} />;
  return (
    <Asking error={error}>
      <h2>Course</h2>
    </Asking>
  );
}

function Steps({ plate, course }: { plate: Plate; course: Course }) {
  const { chosen, choose, goOn } = useStep(course);
  return (
    <>
      <p className="note mb-2.5">
        Left to do: about <span className="num">{hours(course.hands_minutes_left)}</span> of hands,{" "}
        <span className="num">{hours(course.wait_minutes_left)}</span> of waiting.
      </p>
      <Beside side="steps">
        <aside>
          <StepList steps={course.steps} chosen={chosen?.id ?? ""} choose={choose} />
          <AddSteps plate={plate} course={course} after={chosen?.id ?? null} />
        </aside>
        {chosen ? (
          <StepPanel key={chosen.id} plate={plate} course={course} step={chosen} next={goOn} />
        ) : null}
      </Beside>
    </>
  );
}

/** The step that is shown, and the keys that move along the course. */
function useStep({ steps }: Course) {
  const [asked, ask] = useSearchParams();
  const chosen =
    steps.find((each) => each.id === asked.get("step")) ?? inGroup(steps, asked.get("group"));
  const choose = (step: string) => ask({ step }, { replace: true });
  const went = useRef(false);
  const goOn = (step: string) => {
    went.current = true;
    choose(step);
  };
  const move = (way: number) => {
    const next = steps[steps.findIndex((each) => each.id === chosen?.id) + way];
    if (next) choose(next.id);
  };
  useKeys({
    "[": () => move(-1),
    "]": () => move(1),
    e: (event) => {
      event.preventDefault();
      document
        .querySelector<HTMLElement>("#done-here :is(input, textarea, [aria-haspopup])")
        ?.focus();
    },
  });
  const at = chosen?.id;
  useEffect(() => {
    if (!at) return;
    document.getElementById("step-now")?.scrollIntoView({ block: "nearest" });
    // done: what comes next is what is read and heard first
    if (went.current) document.getElementById("step-title")?.focus();
    went.current = false;
  }, [at]);
  return { chosen, choose, goOn };
}

/** The step to show of a group: what is to do in the part being worked on, else the last done. */
function inGroup(steps: Course["steps"], group: string | null) {
  const now = steps.find((each) => each.status === "todo");
  const reached = steps.filter(
    (each) => each.group === group && each.part <= (now?.part ?? each.part),
  );
  return reached.find((each) => each.status === "todo") ?? reached.at(-1) ?? now ?? steps[0];
}

function hours(minutes: number): string {
  return minutes < 90 ? `${minutes} min` : `${(minutes / 60).toFixed(1)} h`;
}
