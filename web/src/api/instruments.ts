import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";
import { everyPage, keepPageOf, pageAsked } from "./pages";

export type Instrument = Shapes["InstrumentOut"];
/** A token as it is told, this once. */
export type TokenTold = { name: string; token: string };

const AGAIN_MS = 5_000;

export const instrumentsQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "instruments"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/instruments", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
    refetchInterval: AGAIN_MS,
  });

export const sentQuery = (room: string, instrument: string, page: number) =>
  queryOptions({
    queryKey: [room, "instruments", instrument, { page }],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/instruments/{instrument}/readings", {
          params: { path: { room, instrument }, query: { page: pageAsked(page) } },
        }),
      ),
    placeholderData: keepPageOf(instrument),
  });

export const makeInstrument = (room: string, body: Shapes["InstrumentIn"]) =>
  data(http.POST("/api/rooms/{room}/instruments", { params: { path: { room } }, body }));

export const changeInstrument = (
  room: string,
  instrument: string,
  body: Shapes["InstrumentChange"],
) =>
  data(
    http.PUT("/api/rooms/{room}/instruments/{instrument}", {
      params: { path: { room, instrument } },
      body,
    }),
  );

export const replaceToken = (room: string, instrument: string, version: number) =>
  data(
    http.POST("/api/rooms/{room}/instruments/{instrument}/token", {
      params: { path: { room, instrument } },
      body: { version },
    }),
  );
