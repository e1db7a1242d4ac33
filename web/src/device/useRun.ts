import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useState } from "react";
import { ApiError } from "../api/client";
import { type EventIn, type Run, type Say, sendRunEvents } from "../api/runs";
import { clockOffset, measureOffset, nowSeconds } from "./clock";
import { deviceId, newId, nextSequence } from "./ids";
import { localRun } from "./local";
import { runQuery } from "./runQuery";
import { dropEvents, keepEvent, keepRun, waitingEvents } from "./store";
import type { Subject, Waiting } from "./waiting";

const RETRY_MS = 3_000;

export type Log = (say: Say, atSeconds?: number) => string;

/** Follow a run: what the server says, what waits to be sent, and a way to log events. */
export function useRun(user: string, room: string, id: string) {
  const query = useQuery(runQuery(user, room, id));
  const { waiting, log, flush } = useWaiting(user, room, id);
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

function useWaiting(user: string, room: string, id: string) {
  const [waiting, setWaiting] = useState<Waiting[]>([]);
  const client = useQueryClient();
  const refresh = useCallback(async () => {
    const all = await waitingEvents(user);
    setWaiting(all.filter((each) => each.subject.id === id));
  }, [user, id]);
  const flush = useCallback(async () => {
    const sent = await flushAll(user, (key, run) => {
      client.setQueryData([key, "run", run.id], run);
    });
    if (sent) await refresh();
  }, [user, client, refresh]);

  const log: Log = useCallback(
    (say, atSeconds) => {
      const event = makeEvent(say, atSeconds);
      const subject: Subject = { kind: "run", id };
      const each: Waiting = { id: event.id, user, room, subject, at: Date.now(), event };
      setWaiting((before) => [...before, each]);
      keepEvent(each).then(flush);
      return event.id;
    },
    [user, room, id, flush],
  );

  useEffect(() => {
    refresh().then(flush);
    const timer = setInterval(flush, RETRY_MS);
    window.addEventListener("online", flush);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", flush);
    };
  }, [refresh, flush]);
  return { waiting, log, flush };
}

function makeEvent(say: Say, atSeconds?: number): EventIn {
  const offset = clockOffset();
  const at = atSeconds ?? nowSeconds();
  return {
    ...say,
    id: newId(),
    device: deviceId(),
    sequence: nextSequence(),
    monotonic_ms: at * 1000 - offset.ms,
    offset_ms: offset.ms,
    offset_spread_ms: offset.spreadMs,
  };
}

let flushing: Promise<boolean> | null = null;

/** Send what waits, subject by subject; what the server refuses stays here with its reason. */
export function flushAll(
  user: string,
  seen: (room: string, run: Run) => void = () => {},
): Promise<boolean> {
  flushing ??= sendWaiting(user, seen).finally(() => {
    flushing = null;
  });
  return flushing;
}

async function sendWaiting(user: string, seen: (room: string, run: Run) => void): Promise<boolean> {
  const waiting = (await waitingEvents(user)).filter((each) => !each.refused);
  if (waiting.length === 0) return false;
  await measureOffset();
  for (const subject of new Set(waiting.map((each) => each.subject.id))) {
    const mine = waiting.filter((each) => each.subject.id === subject);
    if (!(await sendRun(user, mine, seen))) return false;
  }
  return true;
}

/** One endpoint shape for all subjects. */
const SEND: Record<Subject["kind"], typeof sendRunEvents> = { run: sendRunEvents };

async function sendRun(
  user: string,
  mine: Waiting[],
  seen: (room: string, run: Run) => void,
): Promise<boolean> {
  const first = mine[0] as Waiting;
  try {
    const run = await SEND[first.subject.kind](
      first.room,
      first.subject.id,
      mine.map((each) => each.event),
    );
    await keepRun(user, first.room, run);
    await dropEvents(mine.map((each) => each.id));
    seen(first.room, run);
    return true;
  } catch (error) {
    if (!(error instanceof ApiError) || ![404, 422].includes(error.status)) return false;
    return setAside(user, mine, error, seen);
  }
}

/** One event that is refused must not hold up the others: they go one by one. */
async function setAside(
  user: string,
  mine: Waiting[],
  error: ApiError,
  seen: (room: string, run: Run) => void,
): Promise<boolean> {
  if (mine.length === 1) {
    await keepEvent({ ...(mine[0] as Waiting), refused: error.fault.text });
    return true;
  }
  for (const each of mine) {
    if (!(await sendRun(user, [each], seen))) return false;
  }
  return true;
}
