import { useQuery } from "@tanstack/react-query";
import { type PlateCard, rackQuery } from "../api/plates";
import { useHere } from "./useHere";

/** Plates in a run, those in the bath first. */
export function useOpenRuns(): PlateCard[] {
  const { room } = useHere();
  const { data } = useQuery(rackQuery(room));
  const runs = (data?.items ?? []).filter((plate) => plate.run);
  return runs.sort((a, b) => Number(b.run?.in_bath) - Number(a.run?.in_bath));
}
