import { queryOptions } from "@tanstack/react-query";
import { data, dataAs, http, type Shapes } from "./client";
import { everyPage, pageAsked } from "./pages";
import type { EventIn } from "./runs";
import type { Task } from "./tasks";

export type Lamp = Shapes["LampOut"];
export type Test = Shapes["TestOut"];
export type TestCard = Shapes["TestCard"];
export type Patch = Shapes["PairPatch"];
export type Pair = Shapes["ExposurePairOutput"];
export type Chart = Shapes["ChartOut"];

/** Pairs of numbers, where OpenAPI says lists of them. */
type Tables<Plan> = Omit<Plan, "by_celsius" | "by_screen"> & {
  by_celsius: [number, number][];
  by_screen: [number, number][];
};
export type StagePlan = Tables<Shapes["StagePlan"]>;
export type ExposureSheet = Omit<Shapes["ExposureSheet"], "stages"> & { stages: StagePlan[] };
export type ExposureState = Omit<Shapes["ExposureState"], "passed"> & {
  passed: [StagePlan["stage"], number][];
};
export type ExposureStands = Shapes["ExposureStands"];
export type Exposure = Omit<Shapes["ExposureOut"], "sheet" | "state"> & {
  sheet: ExposureSheet;
  state: ExposureState;
};
export type ExposureCard = Shapes["ExposureCard"];

const inRoom = (room: string) => ({ params: { path: { room } } });

export const lampsQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "lamps"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/lamps", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
  });

export const testsQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "exposure tests"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/exposure-tests", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
  });

export const testQuery = (room: string, test: string) =>
  queryOptions({
    queryKey: [room, "exposure tests", test],
    queryFn: () =>
      dataAs<Test>(
        http.GET("/api/rooms/{room}/exposure-tests/{test}", { params: { path: { room, test } } }),
      ),
    enabled: test !== "",
  });

export const exposuresQuery = (room: string, plate: string) =>
  queryOptions({
    queryKey: [room, "exposures", plate],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/exposures", { params: { path: { room }, query: { plate } } }),
      ),
  });

export const getExposure = (room: string, exposure: string): Promise<Exposure> =>
  dataAs(
    http.GET("/api/rooms/{room}/exposures/{exposure}", { params: { path: { room, exposure } } }),
  );

export const beginExposure = (room: string, body: Shapes["ExposureIn"]): Promise<Exposure> =>
  dataAs(http.POST("/api/rooms/{room}/exposures", { ...inRoom(room), body }));

export const endExposure = (room: string, exposure: string, reason: string): Promise<Exposure> =>
  dataAs(
    http.POST("/api/rooms/{room}/exposures/{exposure}/end", {
      params: { path: { room, exposure } },
      body: { reason },
    }),
  );

export const sendExposureEvents = (
  room: string,
  exposure: string,
  events: EventIn[],
): Promise<Exposure> =>
  dataAs(
    http.POST("/api/rooms/{room}/exposures/{exposure}/events", {
      params: { path: { room, exposure } },
      body: { events },
    }),
  );

/** How long, for another step to be the last that holds. */
export const timeByWedge = (body: Shapes["ExposureWedgeInput"]) =>
  data(http.POST("/api/calc/exposure-wedge", { body }));

/** The sheet of times that are only thought of. */
export const sheetQuery = (asked: Shapes["ExposureRunInput"]) =>
  queryOptions({
    queryKey: ["exposure sheet", asked],
    queryFn: () => dataAs<ExposureSheet>(http.POST("/api/calc/exposure-run", { body: asked })),
    placeholderData: (before) => before,
    retry: false,
  });

export const chartsQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "charts"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/charts", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
  });

export const keepLamp = (room: string, body: Shapes["LampIn"]) =>
  data(http.PUT("/api/rooms/{room}/lamps", { ...inRoom(room), body }));

export const measureLamp = (room: string, lamp: string, body: Shapes["MeasurementIn"]) =>
  data(
    http.POST("/api/rooms/{room}/lamps/{lamp}/measurements", {
      params: { path: { room, lamp } },
      body,
    }),
  );

export const changeMeasurement = (
  room: string,
  lamp: string,
  measurement: string,
  body: Shapes["MeasurementChange"],
) =>
  data(
    http.PUT("/api/rooms/{room}/lamps/{lamp}/measurements/{measurement}", {
      params: { path: { room, lamp, measurement } },
      body,
    }),
  );

export const makeTest = (room: string, body: Shapes["TestIn"]) =>
  dataAs<Test>(http.POST("/api/rooms/{room}/exposure-tests", { ...inRoom(room), body }));

export const changeTest = (room: string, test: string, body: Shapes["TestChange"]) =>
  dataAs<Test>(
    http.PUT("/api/rooms/{room}/exposure-tests/{test}", {
      params: { path: { room, test } },
      body,
    }),
  );

export type Positive = Shapes["PositiveOutput"];
export type PositiveIn = Shapes["PositiveIn"];
export type ScreenFilm = Shapes["DotScreenOutput"];
export type ChartFilm = Shapes["StepChartOutput"];

export const askForPositive = (room: string, plate: string, body: PositiveIn) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/plates/{plate}/positive", {
      params: { path: { room, plate } },
      body,
    }),
  );

export const askForScreen = (room: string, body: Shapes["ScreenIn"]) =>
  dataAs<Task>(http.POST("/api/rooms/{room}/dot-screens", { ...inRoom(room), body }));

export const askForChartFilm = (room: string, test: string, body: Shapes["ChartFilmIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/exposure-tests/{test}/film", {
      params: { path: { room, test } },
      body,
    }),
  );

export type ReadTest = Shapes["ReadTestOutput"];
export type ReadSteps = Shapes["ReadStepsOutput"];

export const askToReadPrint = (room: string, test: string, body: Shapes["ChartScanIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/exposure-tests/{test}/scan", {
      params: { path: { room, test } },
      body,
    }),
  );

export const makeChart = (room: string, body: Shapes["ChartIn"]) =>
  dataAs<Chart>(http.POST("/api/rooms/{room}/charts", { ...inRoom(room), body }));

export type Faults = Shapes["PlateFaultsOutput"];
export type FaultsAsked = Pick<
  Shapes["PlateFaultsInput"],
  "seen" | "not_seen" | "printed" | "wanted" | "film_density" | "chalked"
>;

export const signsQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "plate signs"],
    queryFn: () => data(http.GET("/api/rooms/{room}/plate-signs", inRoom(room))),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The likely causes of what is seen; the answer before stands until the next one comes. */
export const faultsQuery = (asked: FaultsAsked) =>
  queryOptions({
    queryKey: ["plate faults", asked],
    queryFn: () => data(http.POST("/api/calc/plate-faults", { body: { spread: 0.8, ...asked } })),
    enabled: (asked.seen?.length ?? 0) > 0 || asked.printed != null,
    retry: false,
    placeholderData: (before) => before,
  });
