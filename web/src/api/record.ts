import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";

export const recordQuery = (
  room: string,
  query: { plate?: string; search?: string; page?: number },
) =>
  queryOptions({
    queryKey: [room, "record", query],
    queryFn: () =>
      data(http.GET("/api/rooms/{room}/record", { params: { path: { room }, query } })),
    placeholderData: (before) => before,
  });

export const writeNote = (room: string, body: Shapes["NoteIn"]) =>
  data(http.POST("/api/rooms/{room}/record", { params: { path: { room } }, body }));
