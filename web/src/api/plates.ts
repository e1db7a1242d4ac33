import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";

export type PlateCard = Shapes["PlateCard"];
export type Plate = Shapes["PlateOut"];

export const rackQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "plates"],
    queryFn: () => data(http.GET("/api/rooms/{room}/plates", { params: { path: { room } } })),
    refetchInterval: 15_000,
  });

export const awayQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "plates", "away"],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/plates", {
          params: { path: { room }, query: { put_away: true } },
        }),
      ),
  });

export const benchQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "bench"],
    queryFn: () => data(http.GET("/api/rooms/{room}/bench", { params: { path: { room } } })),
    refetchInterval: 15_000,
  });

export const plateQuery = (room: string, plate: string) =>
  queryOptions({
    queryKey: [room, "plate", plate],
    queryFn: () =>
      data(http.GET("/api/rooms/{room}/plates/{plate}", { params: { path: { room, plate } } })),
    refetchInterval: 15_000,
  });

export const putInPlate = (room: string, body: Shapes["PlateIn"]) =>
  data(http.POST("/api/rooms/{room}/plates", { params: { path: { room } }, body }));

export const changePlate = (room: string, plate: string, body: Shapes["PlateChange"]) =>
  data(http.PUT("/api/rooms/{room}/plates/{plate}", { params: { path: { room, plate } }, body }));
