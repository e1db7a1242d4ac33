import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import type { Marks, MarksState } from "../api/marks";
import type { EventIn } from "../api/runs";
import { happened } from "./happened";
import { foldMarks } from "./marksFold";
import { marksQuery } from "./runQuery";
import { useWaiting } from "./useWaiting";

/** A plate's marks as this device sees them: what the server has and what waits, folded together. */
export const marksHere = (marks: Marks, waiting: EventIn[]): MarksState =>
  foldMarks([...marks.events, ...waiting.map(happened)]);

/** Follow a plate's marks: what the server says, what waits to be sent, and a way to log events. */
export function useMarks(user: string, room: string, plate: string) {
  const query = useQuery(marksQuery(user, room, plate));
  const { waiting, log, flush } = useWaiting(user, room, { kind: "marks", id: plate });
  const marks = query.data;
  const state = useMemo(
    () =>
      marks
        ? marksHere(
            marks,
            waiting.filter((each) => !each.refused).map((each) => each.event),
          )
        : null,
    [marks, waiting],
  );
  return { marks, state, waiting, log, flush, error: query.error };
}
