import { queryOptions } from "@tanstack/react-query";
import { data, dataAs, http, type Shapes } from "./client";
import type { EventIn } from "./runs";
import type { Task } from "./tasks";

export type Marks = Shapes["MarksOut"];
export type MarksState = Shapes["MarksState"];
export type MarksIn = Shapes["MarksIn"];
export type MarkGroup = Shapes["GroupOut"];
export type Hatch = Shapes["HatchOut"];
export type HatchRow = Shapes["HatchRow"];
export type Look = Shapes["PlateLookOut"];
export type View = Shapes["ScratchViewOutput"];
export type Trial = Shapes["TrialOut"];
export type Wear = Shapes["WearOut"];
export type Impression = MarksState["impressions"][number];
export type Guide = Shapes["HatchGuideOutput"];

const ofPlate = (room: string, plate: string) => ({ params: { path: { room, plate } } });

export const getMarks = (room: string, plate: string): Promise<Marks> =>
  dataAs(http.GET("/api/rooms/{room}/plates/{plate}/marks", ofPlate(room, plate)));

export const sendMarksEvents = (room: string, plate: string, events: EventIn[]): Promise<Marks> =>
  dataAs(
    http.POST("/api/rooms/{room}/plates/{plate}/marks/events", {
      ...ofPlate(room, plate),
      body: { events },
    }),
  );

export const keepMarks = (room: string, plate: string, body: MarksIn): Promise<Marks> =>
  dataAs(http.PUT("/api/rooms/{room}/plates/{plate}/marks", { ...ofPlate(room, plate), body }));

/** How close to hatch for a tone; the answer before stands until the next one comes. */
export const hatchQuery = (room: string, plate: string, lstar: number, pressure: number) =>
  queryOptions({
    queryKey: [room, "hatch", plate, lstar, pressure],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/plates/{plate}/hatch", {
          params: { path: { room, plate }, query: { lstar, pressure } },
        }),
      ),
    placeholderData: (before) => before,
  });

export const wearQuery = (room: string, plate: string, after: number | null) =>
  queryOptions({
    queryKey: [room, "wear", plate, after],
    queryFn: () =>
      dataAs<Wear>(
        http.GET("/api/rooms/{room}/plates/{plate}/wear", {
          params: { path: { room, plate }, query: after === null ? {} : { after } },
        }),
      ),
    placeholderData: (before) => before,
  });

export const wearCsvUrl = (room: string, plate: string) =>
  `/api/rooms/${room}/plates/${plate}/wear.csv`;

export const askToLook = (room: string, plate: string, body: Shapes["PlateLookIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/plates/{plate}/looks", { ...ofPlate(room, plate), body }),
  );

export const askForGuide = (room: string, plate: string, body: Shapes["GuideIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/plates/{plate}/guide", { ...ofPlate(room, plate), body }),
  );

export const makeTrial = (room: string, body: Shapes["TrialIn"]) =>
  dataAs<Trial>(http.POST("/api/rooms/{room}/trials", { params: { path: { room } }, body }));

export const changeTrial = (room: string, trial: string, body: Shapes["TrialChange"]) =>
  dataAs<Trial>(
    http.PUT("/api/rooms/{room}/trials/{trial}", { params: { path: { room, trial } }, body }),
  );
