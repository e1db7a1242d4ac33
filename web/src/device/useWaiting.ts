import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import type { EventIn, Say } from "../api/runs";
import { clockOffset, nowSeconds } from "./clock";
import { flushAll } from "./flush";
import { deviceId, newId, nextSequence } from "./ids";
import { keepEvent, waitingEvents } from "./store";
import { SUBJECTS } from "./subjects";
import type { Subject, Waiting } from "./waiting";

const RETRY_MS = 3_000;

export type Log = (say: Say, atSeconds?: number) => string;

/** What of a subject waits to be sent, and a way to log more. */
export function useWaiting(user: string, room: string, { kind, id }: Subject) {
  const [waiting, setWaiting] = useState<Waiting[]>([]);
  const client = useQueryClient();
  // what was logged while the store was read is not in it yet: it must not vanish under the hand
  const kept = useRef(new Set<string>());
  const refresh = useCallback(async () => {
    const sure = new Set(kept.current);
    const all = (await waitingEvents(user)).filter((each) => each.subject.id === id);
    for (const each of all) kept.current.add(each.id);
    const stored = new Set(all.map((each) => each.id));
    setWaiting((before) => [
      ...all,
      ...before.filter((each) => !stored.has(each.id) && !sure.has(each.id)),
    ]);
  }, [user, id]);
  const flush = useCallback(async () => {
    const sent = await flushAll(user, (key, subject, shown) => {
      client.setQueryData([key, SUBJECTS[subject.kind].key, shown.id], shown);
    });
    if (sent) await refresh();
  }, [user, client, refresh]);

  const log: Log = useCallback(
    (say, atSeconds) => {
      const event = makeEvent(say, atSeconds);
      const subject: Subject = { kind, id };
      const each: Waiting = { id: event.id, user, room, subject, at: Date.now(), event };
      setWaiting((before) => [...before, each]);
      keepEvent(each).then(() => {
        kept.current.add(each.id);
        return flush();
      });
      return event.id;
    },
    [user, room, kind, id, flush],
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
