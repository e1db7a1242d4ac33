import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { ApiError } from "../../../api/client";
import { keepStudy, type Study, type StudyIn, saidOf, studyQuery } from "../../../api/studies";
import { useHere } from "../../../frame/useHere";
import { useSay } from "../../../ui/Toast";

const MOST_BEFORE = 50;
type Patch = Partial<StudyIn>;

/** A study and the way to change it: each change is sent at once, one after another, and undone by Z. */
export function useStudyChanges(study: Study) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const before = useRef<StudyIn[]>([]);
  const key = studyQuery(room, study.plate).queryKey;
  const send = useMutation({
    scope: { id: `study ${study.plate}` },
    mutationFn: (next: (now: StudyIn) => StudyIn) => {
      const now = client.getQueryData(key) ?? study;
      return keepStudy(room, study.plate, { ...next(saidOf(now)), version: now.version });
    },
    onSuccess: (now) => {
      client.setQueryData(key, now);
      client.invalidateQueries({ queryKey: [room, "tasks"] });
    },
    onError: (error) => {
      if (error instanceof ApiError && error.status === 409) {
        client.invalidateQueries({ queryKey: key });
        say({ text: "Someone changed this study meanwhile. Theirs is shown; do yours again." });
      }
    },
  });
  /** A patch may follow from what is kept when its turn comes: two quick strokes are two. */
  const change = (patch: Patch | ((now: StudyIn) => Patch)) => {
    before.current = [...before.current.slice(-MOST_BEFORE), saidOf(study)];
    send.mutate((now) => ({ ...now, ...(typeof patch === "function" ? patch(now) : patch) }));
  };
  /** What could not be sent, once more. */
  const again = () => {
    if (send.variables) send.mutate(send.variables);
  };
  const undo = () => {
    const last = before.current.pop();
    if (last) send.mutate(() => last);
  };
  return { change, undo, busy: send.isPending, error: send.error, again };
}

export type Changes = ReturnType<typeof useStudyChanges>;
