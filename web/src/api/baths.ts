import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";
import { everyPage, keepPageOf, pageAsked } from "./pages";

export type Bath = Shapes["BathOut"];

export const bathsQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "baths"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/baths", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
  });

export const bathQuery = (room: string, bath: string) =>
  queryOptions({
    queryKey: [room, "bath", bath],
    queryFn: () =>
      data(http.GET("/api/rooms/{room}/baths/{bath}", { params: { path: { room, bath } } })),
  });

export const readingsQuery = (room: string, bath: string, page: number) =>
  queryOptions({
    queryKey: [room, "bath", bath, "readings", { page }],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/baths/{bath}/readings", {
          params: { path: { room, bath }, query: { page: pageAsked(page) } },
        }),
      ),
    placeholderData: keepPageOf(bath),
  });

export const makeBath = (room: string, body: Shapes["BathIn"]) =>
  data(http.POST("/api/rooms/{room}/baths", { params: { path: { room } }, body }));

export const changeBath = (room: string, bath: string, body: Shapes["BathChange"]) =>
  data(http.PUT("/api/rooms/{room}/baths/{bath}", { params: { path: { room, bath } }, body }));

export const readBath = (room: string, bath: string, body: Shapes["ReadingIn"]) =>
  data(
    http.POST("/api/rooms/{room}/baths/{bath}/readings", {
      params: { path: { room, bath } },
      body,
    }),
  );
