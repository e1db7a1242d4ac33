import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";

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

export const changeCourse = (room: string, plate: string, body: CourseAct) =>
  data(
    http.POST("/api/rooms/{room}/plates/{plate}/course", {
      params: { path: { room, plate } },
      body,
    }),
  );

export const measureDust = (room: string, plate: string, body: Shapes["CoverageIn"]) =>
  data(
    http.POST("/api/rooms/{room}/plates/{plate}/coverage", {
      params: { path: { room, plate } },
      body,
    }),
  );

export const tracingUrl = (room: string, plate: string, mirrored: boolean) =>
  `/api/rooms/${room}/plates/${plate}/tracing.pdf?mirrored=${mirrored}`;
