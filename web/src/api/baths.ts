import { queryOptions } from "@tanstack/react-query";
import { data, dataAs, http, type Shapes } from "./client";
import { everyPage, keepPageOf, pageAsked } from "./pages";
import type { paths } from "./schema.gen";

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

export type Shelf = Shapes["Shelf"];
export type ShelfBath = Shapes["ShelfBath"];
export type BathPage = Shapes["BathPage"];
export type Check = Shapes["CheckOut"];

const AGAIN_MS = 10_000;

/** All baths beside each other; a probe moves them, so they are asked for again. */
export const shelfQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "baths", "shelf"],
    queryFn: () =>
      dataAs<Shelf>(http.GET("/api/rooms/{room}/baths/shelf", { params: { path: { room } } })),
    refetchInterval: AGAIN_MS,
  });

export const bathPageQuery = (room: string, bath: string) =>
  queryOptions({
    queryKey: [room, "bath", bath, "page"],
    queryFn: () =>
      dataAs<BathPage>(
        http.GET("/api/rooms/{room}/baths/{bath}/page", { params: { path: { room, bath } } }),
      ),
    refetchInterval: AGAIN_MS,
  });

export const checksQuery = (room: string, bath: string, page: number) =>
  queryOptions({
    queryKey: [room, "bath", bath, "checks", { page }],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/baths/{bath}/checks", {
          params: { path: { room, bath }, query: { page: pageAsked(page) } },
        }),
      ),
    placeholderData: keepPageOf(bath),
  });

const at = (room: string, bath: string) => ({ params: { path: { room, bath } } });

export const weighCoupon = (room: string, bath: string, body: Shapes["CouponIn"]) =>
  data(http.POST("/api/rooms/{room}/baths/{bath}/coupons", { ...at(room, bath), body }));

export const biteCheckPatch = (room: string, bath: string, body: Shapes["CheckPatchIn"]) =>
  data(http.POST("/api/rooms/{room}/baths/{bath}/patches", { ...at(room, bath), body }));

export const readHydrometer = (room: string, bath: string, body: Shapes["HydrometerIn"]) =>
  data(http.POST("/api/rooms/{room}/baths/{bath}/hydrometer", { ...at(room, bath), body }));

export const refreshBath = (room: string, bath: string, body: Shapes["RefreshIn"]) =>
  data(http.POST("/api/rooms/{room}/baths/{bath}/refreshes", { ...at(room, bath), body }));

export const changeCheck = (
  room: string,
  bath: string,
  check: string,
  body: Shapes["CheckChange"],
) =>
  data(
    http.PUT("/api/rooms/{room}/baths/{bath}/checks/{check}", {
      params: { path: { room, bath, check } },
      body,
    }),
  );

export const changeReading = (room: string, bath: string, reading: string, taken_back: boolean) =>
  data(
    http.PUT("/api/rooms/{room}/baths/{bath}/readings/{reading}", {
      params: { path: { room, bath, reading } },
      body: { taken_back },
    }),
  );

type HeatOf = paths["/api/rooms/{room}/baths/{bath}/heat"]["get"]["parameters"];
export type HeatAsk = { [Name in keyof NonNullable<HeatOf["query"]>]?: number };
export type HeatTold = Shapes["BathHeatOut"];
/** What is told where it is known how warm the room is. */
export type BathHeat = HeatTold & { heat: Shapes["BathHeatOutput"]; room_c: number };

/** How warm a bath will be; it stands as long as what it is reckoned from. */
export const heatQuery = (room: string, bath: Bath, query: HeatAsk | null) =>
  queryOptions({
    queryKey: [room, "bath", bath.id, "heat", query, bath.temperature_c, bath.load_g_per_l],
    queryFn: () =>
      dataAs<HeatTold>(
        http.GET("/api/rooms/{room}/baths/{bath}/heat", {
          params: { path: { room, bath: bath.id }, query: query ?? {} },
        }),
      ),
    enabled: query !== null,
    retry: false,
    placeholderData: (before) => before,
  });

export type Asked = Shapes["MakeUpInput"];
export type Made = Shapes["MakeUpOutput"];

export const makeUp = (body: Asked) => data(http.POST("/api/calc/make-up", { body }));
