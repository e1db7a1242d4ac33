import { queryOptions } from "@tanstack/react-query";
import { ApiError } from "../api/client";
import type { Run } from "../api/runs";
import { haveMap } from "./maps";
import { type Shown, SUBJECTS } from "./subjects";
import type { Subject } from "./waiting";

const AGAIN_MS = 5_000;
const MARKS_AGAIN_MS = 30_000;
const PRESS_AGAIN_MS = 15_000;

/** A subject as the server has it; with no line, as it was last seen. */
async function shownOf<Kind extends Subject["kind"]>(
  kind: Kind,
  user: string,
  room: string,
  id: string,
): Promise<Shown[Kind]> {
  const door = SUBJECTS[kind];
  try {
    const found = await door.get(room, id);
    await door.keep(user, room, found as never);
    return found as Shown[Kind];
  } catch (error) {
    const kept = await door.kept(user, room, id);
    const away = error instanceof ApiError && (error.status === 0 || error.status === 401);
    if (kept && away) return kept as Shown[Kind];
    throw error;
  }
}

const ALWAYS = { refetchInterval: AGAIN_MS, networkMode: "always", retry: false } as const;

/** What is bitten, a plate or a strip. */
export const runQuery = (
  user: string,
  room: string,
  { kind, id }: Subject & { kind: "run" | "strip" },
) =>
  queryOptions({
    queryKey: [room, SUBJECTS[kind].key, id],
    queryFn: async (): Promise<Run> => {
      const found = await shownOf(kind, user, room, id);
      if (found.map) haveMap(found.map.picture).catch(() => null); // asked for again each time
      return found;
    },
    ...ALWAYS,
  });

/** What is exposed. */
export const exposureQuery = (user: string, room: string, id: string) =>
  queryOptions({
    queryKey: [room, SUBJECTS.exposure.key, id],
    queryFn: () => shownOf("exposure", user, room, id),
    ...ALWAYS,
  });

/** A plate at the press. */
export const pressQuery = (user: string, room: string, id: string) =>
  queryOptions({
    queryKey: [room, SUBJECTS.pull.key, id],
    queryFn: () => shownOf("pull", user, room, id),
    ...ALWAYS,
    refetchInterval: PRESS_AGAIN_MS,
  });

/** A work of several plates or layers. */
export const workQuery = (user: string, room: string, id: string) =>
  queryOptions({
    queryKey: [room, SUBJECTS.work.key, id],
    queryFn: () => shownOf("work", user, room, id),
    ...ALWAYS,
    refetchInterval: PRESS_AGAIN_MS,
  });

/** What is scratched, by its plate. */
export const marksQuery = (user: string, room: string, id: string) =>
  queryOptions({
    queryKey: [room, SUBJECTS.marks.key, id],
    queryFn: () => shownOf("marks", user, room, id),
    ...ALWAYS,
    refetchInterval: MARKS_AGAIN_MS,
  });
