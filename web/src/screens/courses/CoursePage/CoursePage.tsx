import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { type Course, courseQuery } from "../../../api/courses";
import { type Plate, plateQuery } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { Waits } from "../../../frame/Waits";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";
import { AddSteps } from "./AddSteps";
import { StepList } from "./StepList";
import { StepPanel } from "./StepPanel";

/** A plate's course, step by step: why, what good looks like, how it fails, what was done. */
export function CoursePage() {
  const { room } = useHere();
  const { plate: id = "" } = useParams();
  const plate = useQuery(plateQuery(room, id));
  const course = useQuery(courseQuery(room, id));
  const error = plate.error ?? course.error;
  if (error) return <Trouble error={error} />;
  if (!plate.data || !course.data) return <h1>Course</h1>;
  return <Page key={id} plate={plate.data} course={course.data} />;
}

function Page({ plate, course }: { plate: Plate; course: Course }) {
  const { room } = useHere();
  const [asked, ask] = useSearchParams();
  const { steps } = course;
  const chosen =
    steps.find((each) => each.id === asked.get("step")) ?? inGroup(steps, asked.get("group"));
  const choose = (step: string) => ask({ step }, { replace: true });
  const move = (way: number) => {
    const at = steps.findIndex((each) => each.id === chosen?.id);
    const next = steps[at + way];
    if (next) choose(next.id);
  };
  useKeys({
    "[": () => move(-1),
    "]": () => move(1),
    e: (event) => {
      event.preventDefault();
      document.querySelector<HTMLElement>("article form :is(input, select)")?.focus();
    },
  });
  const at = chosen?.id;
  useEffect(() => {
    if (at) document.getElementById("step-now")?.scrollIntoView({ block: "nearest" });
  }, [at]);
  return (
    <>
      <header className="flex flex-wrap items-center gap-4" style={{ minHeight: 56 }}>
        <h1>{plate.name}: course</h1>
        <span className="note">
          {plate.metal}, {plate.routes.join(", then ")}. Left to do: about{" "}
          <span className="n">{hours(course.hands_minutes_left)}</span> of hands,{" "}
          <span className="n">{hours(course.wait_minutes_left)}</span> of waiting.
        </span>
        <Link className="btn quiet ml-auto" to={`/r/${room}/plates/${plate.id}`}>
          Plate page
        </Link>
      </header>
      <Waits plate={plate.id} />
      <div className="course-cols">
        <aside>
          <StepList steps={steps} chosen={chosen?.id ?? ""} choose={choose} />
          <AddSteps plate={plate} course={course} after={chosen?.id ?? null} />
        </aside>
        {chosen ? (
          <StepPanel key={chosen.id} plate={plate} course={course} step={chosen} next={choose} />
        ) : null}
      </div>
    </>
  );
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
