import { queryOptions } from "@tanstack/react-query";
import { keptRun, keepRun } from "../run/store";
import { ApiError, data, http, type Shapes } from "./client";

export type Run = Shapes["RunOut"];
export type EventIn = Shapes["EventIn"];

/** A run as the server has it; with no line, as it was last seen. */
export const runQuery = (user: string, room: string, run: string) =>
  queryOptions({
    queryKey: [room, "run", run],
    queryFn: async () => {
      try {
        const found = (await data(
          http.GET("/api/rooms/{room}/runs/{run}", { params: { path: { room, run } } }),
        )) as Run;
        await keepRun(user, room, found);
        return found;
      } catch (error) {
        const kept = await keptRun(user, room, run);
        if (kept && error instanceof ApiError && (error.status === 0 || error.status === 401)) {
          return kept;
        }
        throw error;
      }
    },
    refetchInterval: 5_000,
    networkMode: "always",
    retry: false,
  });

export const beginRun = (room: string, body: Shapes["RunIn"]) =>
  data(http.POST("/api/rooms/{room}/runs", { params: { path: { room } }, body }));

export const endRun = (room: string, run: string) =>
  data(http.POST("/api/rooms/{room}/runs/{run}/end", { params: { path: { room, run } } }));

export const sendEvents = (room: string, run: string, events: EventIn[]): Promise<Run> =>
  data<unknown>(
    http.POST("/api/rooms/{room}/runs/{run}/events", {
      params: { path: { room, run } },
      body: { events },
    }),
  ) as Promise<Run>;
