import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { endRun, endStrip, type Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import { useSay } from "../../../ui/Toast";
import { homeOf } from "./home";

/** End a run: bitten, it leads to the proof, a strip to its reading; set aside with a reason, back to its plate. */
export function useEnd(run: Run | undefined, flush: () => Promise<void>) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const say = useSay();
  return useMutation({
    mutationFn: async (reason: string) => {
      if (!run) throw new Error("no run to end");
      await flush(); // a lift that still waits here would leave the plate in the bath
      return run.strip ? endStrip(room, run.id, reason) : endRun(room, run.id, reason);
    },
    onSuccess: async (ended) => {
      await client.invalidateQueries({ queryKey: [room] });
      const home = homeOf(room, ended);
      if (ended.outcome === "finished") return navigate(ended.strip ? home : `${home}/proofs/new`);
      say({ text: ended.outcome === "set aside" ? `Set aside: ${ended.reason}.` : "Not dipped." });
      navigate(home);
    },
  });
}
