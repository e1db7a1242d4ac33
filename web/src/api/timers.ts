import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";
import { everyPage, pageAsked } from "./pages";

export type Timer = Shapes["TimerOut"];

export const timersQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "timers"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/timers", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
    refetchInterval: 15_000,
  });

export const startTimer = (room: string, body: Shapes["TimerIn"]) =>
  data(http.POST("/api/rooms/{room}/timers", { params: { path: { room } }, body }));

export const endTimer = (room: string, timer: string) =>
  data(http.POST("/api/rooms/{room}/timers/{timer}/end", { params: { path: { room, timer } } }));
