import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { type Picture, sendPicture } from "../api/proofs";
import type { Task } from "../api/tasks";
import { newId } from "../device/ids";
import { useHere } from "../frame/useHere";
import { useTask } from "../frame/useTask";
import { useKept } from "../ui/form/useKept";
import type { Quad } from "./Marked";
import type { Stroke } from "./Painting";

type Asked = { id: string; picture: string; corners: Quad | null; leftOut: Stroke[] };
type Of = {
  about: (picture: string) => string;
  kind: string;
  ask: (of: Asked) => Promise<Task>;
  /** Kept on this device under this name, so that a page left or reloaded has it again. */
  keepAs: string;
};
type Kept = { picture: Picture; asked: string | null };

type Again = { file?: File; corners?: Quad; leftOut?: Stroke[] };

const NOWHERE = "00000000-0000-0000-0000-000000000000";

/** A scan that is sent and read; read again by its corners where it was not found by itself. */
export function useScan<Result extends NonNullable<Task["result"]>>({
  about,
  kind,
  ask,
  keepAs,
}: Of) {
  const { room } = useHere();
  const { value, put } = useKept<Kept>(keepAs);
  const [restored] = useState(value?.asked ?? null);
  const picture = value?.picture ?? null;
  const found = useTask<Result>({ about: picture ? about(picture.id) : NOWHERE, kind });
  const read = useMutation({
    mutationFn: async ({ file, corners, leftOut }: Again) => {
      const sent = file ? await sendPicture(room, newId(), file) : picture;
      if (!sent) return null;
      put({ picture: sent, asked: null });
      const again = { corners: corners ?? null, leftOut: leftOut ?? [] };
      const task = await ask({ id: newId(), picture: sent.id, ...again });
      put({ picture: sent, asked: task.id });
      return task;
    },
    onSuccess: (task) => (task ? found.take(task) : undefined),
  });
  const own = found.task && found.task.id === value?.asked ? found.task : undefined;
  const busy = read.isPending || (own ? found.open : false);
  /** `restored`: the reading that was here before; what it said was filled in then. */
  return { picture, task: own, busy, read, found, restored };
}
