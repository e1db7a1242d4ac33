import { queryOptions } from "@tanstack/react-query";
import { dataAs, http, type Shapes } from "./client";
import type { Paged } from "./pages";

export type Task = Shapes["TaskOut"];
export type Asked = { about: string; kind: string };

const LOOK_MS = 500;

/** Whether a task is still to be waited for. */
export const underWay = (task?: Pick<Task, "state">) =>
  task?.state === "waiting" || task?.state === "doing";

/** Tasks of a thing, the newest first; asked again and again while one is under way. */
export const tasksQuery = (room: string, of: Asked) =>
  queryOptions({
    queryKey: [room, "tasks", of],
    queryFn: () =>
      dataAs<Paged<Task>>(
        http.GET("/api/rooms/{room}/tasks", { params: { path: { room }, query: of } }),
      ),
    refetchInterval: ({ state }) => (underWay(state.data?.items[0]) ? LOOK_MS : false),
  });

export const stopTask = (room: string, task: string) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/tasks/{task}/stop", { params: { path: { room, task } } }),
  );

/** One of the files that a task wrote, the first 1. */
export const taskFileUrl = (room: string, task: string, number: number) =>
  `/api/rooms/${room}/tasks/${task}/files/${number}`;
