import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import type { EventIn } from "../api/runs";
import type { Work, WorkState } from "../api/works";
import { happened } from "./happened";
import { workQuery } from "./runQuery";
import { foldWork } from "./sheetFold";
import { useWaiting } from "./useWaiting";

/** A work as this device sees it: what the server has and what waits, folded together. */
export const workHere = (work: Work, waiting: EventIn[]): WorkState =>
  foldWork([...work.events, ...waiting.map(happened)]);

/** Follow a work: what the server says, what waits to be sent, a way to log events. */
export function useWork(user: string, room: string, id: string) {
  const query = useQuery(workQuery(user, room, id));
  const { waiting, log, flush } = useWaiting(user, room, { kind: "work", id });
  const work = query.data;
  const state = useMemo(
    () =>
      work
        ? workHere(
            work,
            waiting.filter((each) => !each.refused).map((each) => each.event),
          )
        : null,
    [work, waiting],
  );
  return { work, state, waiting, log, flush, error: query.error };
}
