import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { type Picture, sendPicture } from "../api/proofs";
import type { Task } from "../api/tasks";
import { newId } from "../device/ids";
import { useHere } from "../frame/useHere";
import { useTask } from "../frame/useTask";
import type { Quad } from "./Marked";
import type { Stroke } from "./Painting";

type Asked = { id: string; picture: string; corners: Quad | null; leftOut: Stroke[] };
type Of = { about: (picture: string) => string; kind: string; ask: (of: Asked) => Promise<Task> };

type Again = { file?: File; corners?: Quad; leftOut?: Stroke[] };

const NOWHERE = "00000000-0000-0000-0000-000000000000";

/** A scan that is sent and read; read again by its corners where it was not found by itself. */
export function useScan<Result extends NonNullable<Task["result"]>>({ about, kind, ask }: Of) {
  const { room } = useHere();
  const [picture, setPicture] = useState<Picture | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const found = useTask<Result>({ about: picture ? about(picture.id) : NOWHERE, kind });
  const read = useMutation({
    mutationFn: async ({ file, corners, leftOut }: Again) => {
      const sent = file ? await sendPicture(room, newId(), file) : picture;
      if (!sent) return null;
      setPicture(sent);
      const again = { corners: corners ?? null, leftOut: leftOut ?? [] };
      const task = await ask({ id: newId(), picture: sent.id, ...again });
      setAsked(task.id);
      return task;
    },
    onSuccess: (task) => (task ? found.take(task) : undefined),
  });
  const own = found.task && found.task.id === asked ? found.task : undefined;
  return { picture, task: own, busy: read.isPending || (own ? found.open : false), read, found };
}
