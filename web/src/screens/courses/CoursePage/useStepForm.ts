import { useQueryClient } from "@tanstack/react-query";
import {
  type Course,
  type CourseAct,
  type CourseStep,
  changeCourse,
  courseQuery,
  tookCourse,
} from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { typedAt, useForm, useShape } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";
import { measuresOf, type StepRead, stepShape, typedStep } from "./step";

/** A step as a form, and what else can be done with it. */
export function useStepForm(
  plate: Plate,
  course: Course,
  step: CourseStep,
  next: (id: string) => void,
) {
  const { room } = useHere();
  const client = useQueryClient();
  const shape = useShape(() => stepShape(step), step.id);
  const acted = useActed(plate, course, step, next);
  const query = courseQuery(room, plate.id);
  const send = (act: CourseAct["act"], more: Partial<CourseAct>) =>
    changeCourse(room, plate.id, {
      version: course.version,
      act,
      step: step.id,
      keys: [],
      reason: "",
      measures: {},
      ...more,
    });
  const form = useForm<StepRead, Course>(shape, {
    keepAs: `${room} step ${plate.id} ${step.id}`,
    start: typedStep(step),
    // the version is the whole course's: other steps move it on while words wait here
    send: (read, { version }) =>
      send("done", {
        version: Math.max(version, course.version),
        reason: read.reason,
        measures: measuresOf(read),
      }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...query, staleTime: 0 });
      const kept = now.steps.find((each) => each.id === step.id) ?? step;
      return { version: now.version, values: typedStep(kept) };
    },
    done: (after) => acted("done", after),
  });
  const act = (what: CourseAct["act"], keys: string[] = []) =>
    form.act(async () => {
      const reason = what === "swap" ? "" : String(typedAt(form, "reason"));
      await acted(what, await send(what, { keys, reason }));
    });
  return { form, act };
}

/** Say what became of the step, and go on to the next that is open, or to one that came anew. */
function useActed(plate: Plate, before: Course, step: CourseStep, next: (id: string) => void) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  return async (act: CourseAct["act"], course: Course) => {
    await tookCourse(client, room, plate.id, course);
    const now = course.steps.find((each) => each.id === step.id);
    const stands = act === "done" && now?.status === "todo" ? "again" : now?.status;
    say({ text: `${step.title}: ${stands ?? "changed"}.` });
    const to = followed(act, step, before, course);
    if (to) next(to.id);
  };
}

/** The step to show after an act, where another one is. */
function followed(act: CourseAct["act"], step: CourseStep, before: Course, course: Course) {
  const at = course.steps.findIndex((each) => each.id === step.id);
  if (act === "done" && course.steps[at]?.status === "done" && step.status !== "done") {
    return course.steps.slice(at + 1).find((each) => each.status === "todo");
  }
  if (course.steps.length === before.steps.length && act !== "swap") return undefined;
  return course.steps.find((each) => !before.steps.some((old) => old.id === each.id));
}
