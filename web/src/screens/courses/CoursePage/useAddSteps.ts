import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type Course, changeCourse, tookCourse } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { useSay } from "../../../ui/Toast";

/** Add steps of the table to a course, after one of its steps. */
export function useAddSteps(plate: Plate, course: Course, after: string | null) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  return useMutation({
    mutationFn: (given: { keys: string[]; reason: string }) =>
      changeCourse(room, plate.id, {
        version: course.version,
        act: "add",
        step: after,
        measures: {},
        ...given,
      }),
    onSuccess: async (next) => {
      await tookCourse(client, room, plate.id, next);
      say({ text: "Added to the course." });
    },
  });
}
