import { queryOptions } from "@tanstack/react-query";
import { ApiError, dataAs, http, type Shapes } from "./client";
import type { Task } from "./tasks";

export type Study = Shapes["StudyOut"];
export type StudyIn = Shapes["StudyIn"];
export type Sketch = Shapes["SketchIn"];
export type Edit = Shapes["Edit"];
export type Stage = Shapes["StageOut"];
export type StudyArea = Shapes["StudyAreaOut"];
export type Small = Shapes["Small"];
export type RunMap = Shapes["RunMap"];
export type LookedOver = Shapes["LookOverOutput"];
export type MapFiles = Shapes["StudyMapsOutput"];
export type MapsIn = Shapes["MapsIn"];

const path = (room: string, plate: string) => ({ params: { path: { room, plate } } });

/** A plate's value study; null where there is none yet. */
export const studyQuery = (room: string, plate: string) =>
  queryOptions({
    queryKey: [room, "study", plate],
    queryFn: () =>
      dataAs<Study>(http.GET("/api/rooms/{room}/plates/{plate}/study", path(room, plate))).catch(
        (error) => {
          if (error instanceof ApiError && error.status === 404) return null;
          throw error;
        },
      ),
  });

export const keepStudy = (room: string, plate: string, body: StudyIn) =>
  dataAs<Study>(http.PUT("/api/rooms/{room}/plates/{plate}/study", { ...path(room, plate), body }));

export const askForMaps = (room: string, plate: string, body: MapsIn) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/plates/{plate}/study/maps", { ...path(room, plate), body }),
  );

export const askToLook = (room: string, plate: string, body: Shapes["LookIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/plates/{plate}/study/look", { ...path(room, plate), body }),
  );

type Print = { width: number; count?: number; bite?: number; tones?: string };

const at = (room: string, plate: string) => `/api/rooms/${room}/plates/${plate}/study`;

/** How a study prints; `drawn` changes with the study, so that no old picture stands for it. */
export function printUrl(room: string, study: Study, print: Print): string {
  const said = Object.entries(print).filter(([, value]) => value !== undefined);
  const query = new URLSearchParams(said.map(([key, value]) => [key, String(value)]));
  return `${at(room, study.plate)}/print?${query}&v=${study.drawn}`;
}

export const drawingUrl = (room: string, study: Study, width: number) =>
  `${at(room, study.plate)}/drawing?width=${width}&v=${study.drawn}`;

export const labelsUrl = (room: string, study: Study) =>
  `${at(room, study.plate)}/labels?v=${study.drawn}`;

/** What of a study is sent: what follows from it stays the server's. */
export function saidOf(study: Study): StudyIn {
  const { version, id, strip, bath, sketches, tuning, smooth_mm, map, count } = study;
  const { tones, bounds, join_mm2, edits, names, pens, lettering } = study;
  return {
    ...{ version, id, strip, bath, sketches, tuning, smooth_mm, map, count },
    ...{ tones, bounds, join_mm2, edits, names, pens, lettering },
  };
}
