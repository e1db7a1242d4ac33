import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { data, dataAs, http, type Shapes } from "./client";
import { everyPage, pageAsked } from "./pages";

export type Strip = Shapes["StripOut"];

const askStrips = (room: string, page: number) =>
  data(
    http.GET("/api/rooms/{room}/strips", {
      params: { path: { room }, query: { page: pageAsked(page) } },
    }),
  );

export type WallStrip = Shapes["WallStrip"];

/** A page of the strips as they hang, with their shares in today's curves. */
export const wallQuery = (room: string, page = 1) =>
  queryOptions({
    queryKey: [room, "strips", "wall", { page }],
    queryFn: () =>
      dataAs<Omit<Shapes["Page_WallStrip_"], "items"> & { items: WallStrip[] }>(
        http.GET("/api/rooms/{room}/strips/wall", {
          params: { path: { room }, query: { page: pageAsked(page) } },
        }),
      ),
    placeholderData: keepPreviousData,
  });

/** Two strips, as bitten and in the first one's bath; nothing is asked for fewer. */
export const besideQuery = (room: string, strip: string, other: string) =>
  queryOptions({
    queryKey: [room, "strips", "beside", strip, other],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/strips/{strip}/beside/{other}", {
          params: { path: { room, strip, other } },
        }),
      ),
    enabled: strip !== "" && other !== "",
    retry: false,
  });

/** Every strip, to plan from one. */
export const everyStripQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "strips", "every"],
    queryFn: () => everyPage((page) => askStrips(room, page)),
  });

export const stripQuery = (room: string, strip: string) =>
  queryOptions({
    queryKey: [room, "strip", strip],
    queryFn: () =>
      dataAs<Strip>(
        http.GET("/api/rooms/{room}/strips/{strip}", { params: { path: { room, strip } } }),
      ),
  });

export const askQuery = (room: string, strip: string, version: number, body: Shapes["Ask"]) =>
  queryOptions({
    queryKey: [room, "strip", strip, version, "ask", body],
    queryFn: () =>
      data(
        http.POST("/api/rooms/{room}/strips/{strip}/ask", {
          params: { path: { room, strip } },
          body,
        }),
      ),
    placeholderData: (before) => before,
  });

export const makeStrip = (room: string, body: Shapes["StripIn"]) =>
  dataAs<Strip>(http.POST("/api/rooms/{room}/strips", { params: { path: { room } }, body }));

export const changeStrip = (room: string, strip: string, body: Shapes["StripChange"]) =>
  dataAs<Strip>(
    http.PUT("/api/rooms/{room}/strips/{strip}", { params: { path: { room, strip } }, body }),
  );

export type ReadPatches = Shapes["ReadPatchesOutput"];

/** Read the patches of a stored scan; its end is waited for as a task. */
export const readStripScan = (room: string, body: Shapes["ReadStripIn"]) =>
  dataAs<Shapes["TaskOut"]>(
    http.POST("/api/rooms/{room}/strips/scans", { params: { path: { room } }, body }),
  );
