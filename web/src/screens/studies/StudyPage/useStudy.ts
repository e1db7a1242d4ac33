import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { ApiError } from "../../../api/client";
import { keepStudy, type Study, type StudyIn, saidOf, studyQuery } from "../../../api/studies";
import { useHere } from "../../../frame/useHere";
import { useSay } from "../../../ui/Toast";

const MOST_BEFORE = 50;

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
  const change = (patch: Partial<StudyIn>) => {
    before.current = [...before.current.slice(-MOST_BEFORE), saidOf(study)];
    send.mutate((now) => ({ ...now, ...patch }));
  };
  const undo = () => {
    const last = before.current.pop();
    if (last) send.mutate(() => last);
  };
  return { change, undo, busy: send.isPending, error: send.error, again: send };
}

export type Changes = ReturnType<typeof useStudyChanges>;
