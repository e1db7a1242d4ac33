import { queryOptions } from "@tanstack/react-query";
import { ApiError, data, http, type Shapes } from "./client";

export type Plan = Shapes["PlanOut"];
export type PlanIn = Shapes["PlanIn"];
export type PlanArea = Shapes["PlanArea"];
export type Facing = NonNullable<Plan["facing"]>;
export type Sheet = Shapes["RunSheet"];

export type Part = NonNullable<PlanIn["part"]>;

/** The plan of a part of the plate, of its last ground if none is said; null where there is none yet. */
export const planQuery = (room: string, plate: string, part: Part, ground?: number) =>
  queryOptions({
    queryKey: [room, "plan", plate, part, ...(ground ? [{ ground }] : [])],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/plates/{plate}/plan", {
          params: { path: { room, plate }, query: ground ? { part, ground } : { part } },
        }),
      ).catch((error) => {
        if (error instanceof ApiError && error.status === 404) return null;
        throw error;
      }),
  });

export const draftQuery = (room: string, plate: string, body: PlanIn | null) =>
  queryOptions({
    queryKey: [room, "plan", plate, "draft", body],
    queryFn: () =>
      data(
        http.POST("/api/rooms/{room}/plates/{plate}/plan/draft", {
          params: { path: { room, plate } },
          body: body as PlanIn,
        }),
      ),
    enabled: body !== null,
    placeholderData: (before) => before,
    retry: false,
  });

export type Alternative = Shapes["Alternative"];

/** A plan beside other ways to bite it; nothing is asked while nothing is to be compared. */
export const compareQuery = (room: string, plate: string, body: PlanIn | null) =>
  queryOptions({
    queryKey: [room, "plan", plate, "compare", body],
    queryFn: () =>
      data(
        http.POST("/api/rooms/{room}/plates/{plate}/plan/compare", {
          params: { path: { room, plate } },
          body: body as PlanIn,
        }),
      ),
    enabled: body !== null,
    placeholderData: (before) => before,
    retry: false,
  });

/** The plan by which one area bites on, as a proof's advice says. */
export const biteOn = (room: string, plate: string, body: Shapes["BiteOnIn"]) =>
  data(
    http.POST("/api/rooms/{room}/plates/{plate}/plan/bite-on", {
      params: { path: { room, plate } },
      body,
    }),
  );

/** Follow the plate's own curve, or the strip's alone. */
export const chooseCurve = (room: string, plate: string, body: Shapes["CurveIn"]) =>
  data(
    http.PUT("/api/rooms/{room}/plates/{plate}/plan/curve", {
      params: { path: { room, plate } },
      body,
    }),
  );

export const keepPlan = (room: string, plate: string, body: PlanIn) =>
  data(
    http.PUT("/api/rooms/{room}/plates/{plate}/plan", { params: { path: { room, plate } }, body }),
  );
