import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { type Asked, stopTask, type Task, tasksQuery, underWay } from "../api/tasks";
import { useHere } from "./useHere";

type Of<Result> = Omit<Task, "result"> & { result: Result | null };

/** The newest task of a thing, as far as it is; what its end changes is asked for anew. */
export function useTask<Result extends NonNullable<Task["result"]>>(of: Asked) {
  const { room } = useHere();
  const client = useQueryClient();
  const { queryKey, ...query } = tasksQuery(room, of);
  const task = useQuery({ queryKey, ...query }).data?.items[0] as Of<Result> | undefined;
  const waited = useRef(false);
  const open = underWay(task);
  useEffect(() => {
    if (waited.current && !open) client.invalidateQueries({ queryKey: [room] });
    waited.current = open;
  }, [client, room, open]);
  const take = async (next: Task) => {
    client.setQueryData(queryKey, (list) =>
      list ? { ...list, items: [next, ...list.items.filter((each) => each.id !== next.id)] } : list,
    );
    await client.invalidateQueries({ queryKey });
  };
  const stop = useMutation({ mutationFn: (id: string) => stopTask(room, id), onSuccess: take });
  return { task, open, take, stop };
}
