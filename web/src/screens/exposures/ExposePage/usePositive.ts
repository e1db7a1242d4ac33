import type { Positive } from "../../../api/exposures";
import { useTask } from "../../../frame/useTask";

export type Film = { task: string; film: Positive };

/** The plate's film, if one was made here. */
export function usePositive(plate: string): Film | null {
  const { task } = useTask<Positive>({ about: plate, kind: "positive" });
  return task?.result ? { task: task.id, film: task.result } : null;
}
