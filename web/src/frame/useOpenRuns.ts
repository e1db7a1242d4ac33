import { useQuery } from "@tanstack/react-query";
import { type PlateCard, rackQuery } from "../api/plates";
import { useHere } from "./useHere";

/** When hands are needed at a run: in the bath at its lift, else whenever they like. */
const needed = ({ run }: PlateCard) =>
  run?.in_bath ? (run.lift_seconds ?? 0) : Number.POSITIVE_INFINITY;

/** Plates in a run, those in the bath first, and of these the first to lift. */
export function useOpenRuns(): PlateCard[] {
  const { room } = useHere();
  const { data } = useQuery(rackQuery(room));
  const runs = (data?.items ?? []).filter((plate) => plate.run);
  return runs.sort((a, b) => (needed(a) < needed(b) ? -1 : needed(a) > needed(b) ? 1 : 0));
}

const due = ({ light }: PlateCard) => light?.due_seconds ?? Number.POSITIVE_INFINITY;

/** Plates under the lamp or between two of its stages, the first to be over first. */
export function useOpenLights(): PlateCard[] {
  const { room } = useHere();
  const { data } = useQuery(rackQuery(room));
  const lit = (data?.items ?? []).filter((plate) => plate.light);
  return lit.sort((a, b) => (due(a) < due(b) ? -1 : due(a) > due(b) ? 1 : 0));
}
