import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { keepMarks, type Marks, type MarksIn } from "../api/marks";
import { useHere } from "./useHere";

const KEPT = [
  "kind",
  "needle_um",
  "pressure",
  "layers",
  "lstar",
  "groups",
  "words",
  "letters_checked",
  "tolerance_lstar",
  "wanted",
  "ok_impression",
  "drawing",
] as const;

/** What was decided of a plate's marks, as it is sent back with a change. */
export function decidedOf(marks: Marks): Omit<MarksIn, "version"> {
  const decided = Object.fromEntries(KEPT.map((key) => [key, marks[key]]));
  return { ...(decided as Omit<MarksIn, "version" | "trial">), trial: marks.trial?.id ?? null };
}

/** Keep a change of what was decided; everything else stays as it was. */
export function useKeepMarks(marks: Marks) {
  const { room } = useHere();
  const client = useQueryClient();
  return async (change: Partial<MarksIn>, version = marks.version): Promise<Marks> => {
    const kept = await keepMarks(room, marks.id, { ...decidedOf(marks), ...change, version });
    client.setQueryData([room, "marks", marks.id], kept);
    for (const key of ["hatch", ...FOLLOW])
      await client.invalidateQueries({ queryKey: [room, key] });
    return kept;
  };
}

/** What follows from a plate's marks. */
const FOLLOW = ["wear", "edition", "paper", "course", "plate", "plates", "bench"];

/** What follows from more events is asked for anew. */
export function useFollowed(events: number) {
  const { room } = useHere();
  const client = useQueryClient();
  const before = useRef(events);
  useEffect(() => {
    if (before.current === events) return;
    before.current = events;
    for (const key of FOLLOW) client.invalidateQueries({ queryKey: [room, key] });
  }, [client, room, events]);
}
