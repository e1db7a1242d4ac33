import { queryOptions } from "@tanstack/react-query";
import { ApiError } from "../api/client";
import { getRun, getStripRun } from "../api/runs";
import { haveMap } from "./maps";
import { keepRun, keptRun } from "./store";
import type { Subject } from "./waiting";

/** One shape for all that is bitten. */
const GET: Record<Subject["kind"], typeof getRun> = { run: getRun, strip: getStripRun };

/** A run as the server has it; with no line, as it was last seen. */
export const runQuery = (user: string, room: string, { kind, id: run }: Subject) =>
  queryOptions({
    queryKey: [room, "run", run],
    queryFn: async () => {
      try {
        const found = await GET[kind](room, run);
        await keepRun(user, room, found);
        if (found.map) haveMap(found.map.picture).catch(() => null); // asked for again each time
        return found;
      } catch (error) {
        const kept = await keptRun(user, room, run);
        if (kept && error instanceof ApiError && (error.status === 0 || error.status === 401)) {
          return kept;
        }
        throw error;
      }
    },
    refetchInterval: 5_000,
    networkMode: "always",
    retry: false,
  });
