import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { biteOn } from "../../../api/plans";
import type { Proof } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/paths";
import { Button } from "../../../ui/Button";
import { Trouble } from "../../../ui/Trouble";

/** Makes the plan that the advice asks for, and leads to it. */
export function BiteOn({ proof, area }: { proof: Proof; area: string }) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const plan = useMutation({
    mutationFn: () => biteOn(room, proof.plate, { proof: proof.id, area }),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(planPath(room, proof.plate, made.part));
    },
  });
  return (
    <>
      <Button look="quiet" disabled={plan.isPending} onClick={() => plan.mutate()}>
        Plan this bite<span className="sr-only"> of {area}</span>
      </Button>
      <Trouble error={plan.error} />
    </>
  );
}
