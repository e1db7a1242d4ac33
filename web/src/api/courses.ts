import { hashKey, type QueryClient, queryOptions } from "@tanstack/react-query";
import { data, dataAs, http, type Shapes } from "./client";
import type { Task } from "./tasks";

export type Course = Shapes["CourseOut"];
export type CourseStep = Shapes["StepNow"];
export type CourseAct = Shapes["CourseAct"];

export const courseQuery = (room: string, plate: string) =>
  queryOptions({
    queryKey: [room, "course", plate],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/plates/{plate}/course", { params: { path: { room, plate } } }),
      ),
  });

/** Take in the course that was answered; what hangs on it is asked for anew, the course itself is not. */
export async function tookCourse(client: QueryClient, room: string, plate: string, next: Course) {
  const { queryKey } = courseQuery(room, plate);
  client.setQueryData(queryKey, next);
  const taken = hashKey(queryKey);
  await client.invalidateQueries({
    queryKey: [room],
    predicate: (query) => query.queryHash !== taken,
  });
}

export const changeCourse = (room: string, plate: string, body: CourseAct) =>
  data(
    http.POST("/api/rooms/{room}/plates/{plate}/course", {
      params: { path: { room, plate } },
      body,
    }),
  );

/** Ask for the grains to be counted; the answer is a task that is under way. */
export const countDust = (room: string, plate: string, body: Shapes["CoverageIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/plates/{plate}/coverage", {
      params: { path: { room, plate } },
      body,
    }),
  );

export type TracingPaper = "A4" | "letter" | "A3";

export const tracingUrl = (room: string, plate: string, mirrored: boolean, paper: TracingPaper) =>
  `/api/rooms/${room}/plates/${plate}/tracing.pdf?mirrored=${mirrored}&paper=${paper}`;
