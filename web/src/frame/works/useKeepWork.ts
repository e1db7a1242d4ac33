import { useQueryClient } from "@tanstack/react-query";
import { keepWork, type Work, type WorkIn } from "../../api/works";
import { useHere } from "../useHere";

const KEPT = [
  "width_mm",
  "height_mm",
  "layers",
  "sheet_width_mm",
  "sheet_height_mm",
  "grain",
  "lift_mm",
  "size",
  "artist_proofs",
  "printer_proofs",
  "order",
  "ghosts",
  "drawing",
  "name",
  "put_away",
] as const;

/** Keep a change of how a work is printed; everything else stays as it was. */
export function useKeepWork(work: Work) {
  const { room } = useHere();
  const client = useQueryClient();
  return async (change: Partial<WorkIn>): Promise<Work> => {
    const now = Object.fromEntries(KEPT.map((key) => [key, work[key]]));
    const body = { ...(now as WorkIn), ...change, version: work.version };
    const kept = await keepWork(room, work.id, body);
    client.setQueryData([room, "work", work.id], kept);
    await client.invalidateQueries({ queryKey: [room, "works"] });
    return kept;
  };
}
