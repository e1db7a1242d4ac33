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

/** A page of the strips, the newest first. */
export const stripsQuery = (room: string, page = 1) =>
  queryOptions({
    queryKey: [room, "strips", { page }],
    queryFn: () => askStrips(room, page),
    placeholderData: keepPreviousData,
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
