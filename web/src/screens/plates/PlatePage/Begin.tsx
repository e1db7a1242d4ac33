import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import type { Plan } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { beginRun } from "../../../api/runs";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";
import { Acknowledge } from "./Acknowledge";

/** Begin to bite what is planned; a process with a caution of its own asks for it first. */
export function Begin({ plate, plans }: { plate: Plate; plans: Plan[] }) {
  const [asking, setAsking] = useState<Plan | null>(null);
  const begin = useBegin(plate);
  const due = plans.filter((plan) => !plan.bitten && plan.sheet.plan.bites.length > 0);
  const last = plans.at(-1);
  const offered = due.length > 0 || !last ? due : [last];
  const press = (plan: Plan) => {
    if (asksOf(plate, plan).length > 0) setAsking(plan);
    else begin.mutate({ plan, acknowledged: [] });
  };
  return (
    <>
      {offered.map((plan, i) => (
        <Button
          key={plan.part}
          look={due.length > 0 && i === 0 ? "bath" : "quiet"}
          disabled={begin.isPending}
          onClick={() => press(plan)}
        >
          <Mark name="bath" /> {due.length > 0 ? "Begin to bite" : "Bite it again"}
          {plans.length > 1 ? ` ${plan.process.many}` : ""}
        </Button>
      ))}
      {asking ? (
        <Acknowledge
          cautions={asksOf(plate, asking)}
          what={asking.process.many}
          onKnown={(acknowledged) => begin.mutate({ plan: asking, acknowledged })}
          onLeave={() => setAsking(null)}
        />
      ) : null}
      <Trouble error={begin.error} />
    </>
  );
}

const asksOf = (plate: Plate, plan: Plan) => plate.asks[plan.part] ?? [];

function useBegin(plate: Plate) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ plan, acknowledged }: { plan: Plan; acknowledged: string[] }) =>
      beginRun(room, { id: newId(), plate: plate.id, part: plan.part, acknowledged }),
    onSuccess: async (run) => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/runs/${run.id}`);
    },
  });
}
