import { data, dataAs, http, type Shapes } from "./client";

export type Run = Shapes["RunOut"];
export type RunState = Shapes["RunState"];
export type EventIn = Shapes["EventsIn"]["events"][number];
export type Kind = EventIn["kind"];

/** What is said of one kind, before it has an id, a device and a time. */
type SayOf<E> = E extends { kind: infer K; data?: infer D } ? { kind: K; data: D } : never;
export type Say = SayOf<EventIn>;

export const getRun = (room: string, run: string): Promise<Run> =>
  dataAs(http.GET("/api/rooms/{room}/runs/{run}", { params: { path: { room, run } } }));

/** A strip at the bath: it is shown as a run is. */
export const getStripRun = (room: string, strip: string): Promise<Run> =>
  dataAs(http.GET("/api/rooms/{room}/strips/{strip}/run", { params: { path: { room, strip } } }));

export const sendStripEvents = async (
  room: string,
  strip: string,
  events: EventIn[],
): Promise<Run> => {
  await data(
    http.POST("/api/rooms/{room}/strips/{strip}/events", {
      params: { path: { room, strip } },
      body: { events },
    }),
  );
  return getStripRun(room, strip);
};

export const endStrip = (room: string, strip: string, reason: string) =>
  data(
    http.POST("/api/rooms/{room}/strips/{strip}/end", {
      params: { path: { room, strip } },
      body: { reason },
    }),
  );

export const beginRun = (room: string, body: Shapes["RunIn"]) =>
  data(http.POST("/api/rooms/{room}/runs", { params: { path: { room } }, body }));

export const endRun = (room: string, run: string, reason: string) =>
  data(
    http.POST("/api/rooms/{room}/runs/{run}/end", {
      params: { path: { room, run } },
      body: { reason },
    }),
  );

export const sendRunEvents = (room: string, run: string, events: EventIn[]): Promise<Run> =>
  dataAs(
    http.POST("/api/rooms/{room}/runs/{run}/events", {
      params: { path: { room, run } },
      body: { events },
    }),
  );
