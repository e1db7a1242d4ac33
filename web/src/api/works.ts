import { queryOptions } from "@tanstack/react-query";
import { dataAs, http, type Shapes } from "./client";
import type { Paged } from "./pages";
import type { EventIn } from "./runs";
import type { Task } from "./tasks";

export type Work = Shapes["WorkOut"];
export type WorkRow = Shapes["WorkRow"];
export type WorkState = Shapes["WorkState"];
export type Sheet = WorkState["sheets"][number];
export type Layer = Shapes["LayerOut"];
export type LayerIn = Shapes["LayerDecided"];
export type SheetRow = Shapes["WorkSheetRow"];
export type Lies = Shapes["PlateLies"];
export type Register = Shapes["RegisterPlatesOutput"];
export type ReadPrint = Shapes["ReadPrintOutput"];
export type Stencils = Shapes["StencilsOutput"];
export type Tracing = Shapes["TracedDrawingOutput"];
export type Overprint = Shapes["OverprintOutput"];
export type WorkIn = Shapes["WorkIn"];

const ofWork = (room: string, work: string) => ({ params: { path: { room, work } } });

export const worksQuery = (room: string, away = false) =>
  queryOptions({
    queryKey: [room, "works", away],
    queryFn: () =>
      dataAs<Paged<WorkRow>>(
        http.GET("/api/rooms/{room}/works", {
          params: { path: { room }, query: away ? { put_away: true } : {} },
        }),
      ),
  });

export const getWork = (room: string, work: string): Promise<Work> =>
  dataAs(http.GET("/api/rooms/{room}/works/{work}", ofWork(room, work)));

export const beginWork = (room: string, body: Shapes["WorkBegin"]): Promise<Work> =>
  dataAs(http.POST("/api/rooms/{room}/works", { params: { path: { room } }, body }));

export const keepWork = (room: string, work: string, body: WorkIn): Promise<Work> =>
  dataAs(http.PUT("/api/rooms/{room}/works/{work}", { ...ofWork(room, work), body }));

export const sendWorkEvents = (room: string, work: string, events: EventIn[]): Promise<Work> =>
  dataAs(
    http.POST("/api/rooms/{room}/works/{work}/events", { ...ofWork(room, work), body: { events } }),
  );

export const askForPreview = (room: string, work: string, body: Shapes["AskIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/works/{work}/preview", { ...ofWork(room, work), body }),
  );

export const askToReadSheet = (room: string, work: string, body: Shapes["SheetReadIn"]) =>
  dataAs<Task>(http.POST("/api/rooms/{room}/works/{work}/scan", { ...ofWork(room, work), body }));

export const askForStencils = (room: string, work: string, body: Shapes["StencilsAsk"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/works/{work}/stencils", { ...ofWork(room, work), body }),
  );

export const askForTracing = (room: string, work: string, body: Shapes["TracingAsk"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/works/{work}/tracing", { ...ofWork(room, work), body }),
  );

export const askForWorkTemplate = (room: string, work: string, body: Shapes["WorkTemplateIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/works/{work}/template", { ...ofWork(room, work), body }),
  );

export const sheetsCsvUrl = (room: string, work: string) =>
  `/api/rooms/${room}/works/${work}/sheets.csv`;
