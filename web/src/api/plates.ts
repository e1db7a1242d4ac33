import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";
import { everyPage, pageAsked } from "./pages";

export type PlateCard = Shapes["PlateCard"];
export type Plate = Shapes["PlateOut"];

/** Which plates of the room: in the rack or put away, by a word of name or route, by pages. */
export type Asked = { away?: boolean; search?: string; page?: number };

const askPlates = (room: string, { away = false, search = "", page = 1 }: Asked) =>
  data(
    http.GET("/api/rooms/{room}/plates", {
      params: {
        path: { room },
        query: { put_away: away || undefined, search: search || undefined, page: pageAsked(page) },
      },
    }),
  );

/** A page of plates, those that need hands first. */
export const platesQuery = (room: string, { away = false, search = "", page = 1 }: Asked) =>
  queryOptions({
    queryKey: [room, "plates", { away, search, page }],
    queryFn: () => askPlates(room, { away, search, page }),
    refetchInterval: 15_000,
  });

/** The rack as it is opened: plates in a run are on its first page. */
export const rackQuery = (room: string) => platesQuery(room, {});

/** Every plate in the rack, to choose one. */
export const everyPlateQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "plates", "every"],
    queryFn: () => everyPage((page) => askPlates(room, { page })),
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
