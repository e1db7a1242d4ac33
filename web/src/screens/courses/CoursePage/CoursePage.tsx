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
  const inGroup = steps.filter((each) => each.group === asked.get("group"));
  const chosen =
    steps.find((each) => each.id === asked.get("step")) ??
    inGroup.find((each) => each.status === "todo") ??
    inGroup[0] ??
    steps.find((each) => each.status === "todo") ??
    steps[0];
  const choose = (step: string) => ask({ step }, { replace: true });
  const move = (way: number) => {
    const at = steps.findIndex((each) => each.id === chosen?.id);
    const next = steps[at + way];
    if (next) choose(next.id);
  };
  useKeys({ j: () => move(1), k: () => move(-1), "[": () => move(-1), "]": () => move(1) });
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
          <StepPanel
            key={`${chosen.id} ${chosen.status} ${chosen.tries}`}
            plate={plate}
            course={course}
            step={chosen}
            next={choose}
          />
        ) : null}
      </div>
    </>
  );
}

function hours(minutes: number): string {
  return minutes < 90 ? `${minutes} min` : `${(minutes / 60).toFixed(1)} h`;
}
