import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { localRun } from "./local";
import { runQuery } from "./runQuery";
import { useWaiting } from "./useWaiting";
import type { Subject } from "./waiting";

/** Follow a run: what the server says, what waits to be sent, and a way to log events. */
export function useRun(user: string, room: string, subject: Subject & { kind: "run" | "strip" }) {
  const query = useQuery(runQuery(user, room, subject));
  const { waiting, log, flush } = useWaiting(user, room, subject);
  const run = query.data;
  const local = useMemo(
    () =>
      run
        ? localRun(
            run,
            waiting.filter((w) => !w.refused).map((w) => w.event),
          )
        : null,
    [run, waiting],
  );
  return { run, local, waiting, log, flush, error: query.error };
}
