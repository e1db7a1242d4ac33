import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Fragment, useState } from "react";
import { useNavigate } from "react-router";
import type { Facing, Plan } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { beginRun } from "../../../api/runs";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/paths";
import { Button, ButtonLink } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";
import { Acknowledge } from "../../../ui/Acknowledge";
import { First } from "./First";

/** Begin to bite what is planned; a process with a caution of its own asks for it first. */
export function Begin({ plate, plans }: { plate: Plate; plans: Plan[] }) {
  const [asking, setAsking] = useState<Wanted | null>(null);
  const [facing, setFacing] = useState<Facing | null>(null);
  const { room } = useHere();
  const begin = useBegin(plate);
  const due = plans.filter((plan) => !plan.bitten && plan.sheet.plan.bites.length > 0);
  const press = (plan: Plan, goesOn = false) => {
    const wanted = { plan, goesOn, facing: facing ?? plan.facing };
    if (asksOf(plate, plan).length > 0) setAsking(wanted);
    else begin.mutate({ ...wanted, acknowledged: [] });
  };
  return (
    <>
      {due.map((plan, i) => (
        <Fragment key={plan.part}>
          {plan.set_aside ? (
            <Button
              look={i === 0 ? "bath" : "quiet"}
              disabled={begin.isPending}
              onClick={() => press(plan, true)}
            >
              <Mark name="bath" /> Go on from bite {plan.set_aside.bites + 1}
              {plans.length > 1 ? ` of ${plan.process.many}` : ""}
            </Button>
          ) : null}
          <Button
            look={i === 0 && !plan.set_aside ? "bath" : "quiet"}
            disabled={begin.isPending}
            onClick={() => press(plan)}
          >
            <Mark name="bath" /> {wordFor(plan)}
            {plans.length > 1 ? ` ${plan.process.many}` : ""}
          </Button>
        </Fragment>
      ))}
      {due[0] ? (
        <First plan={due[0]} facing={facing ?? due[0].facing} onFacing={setFacing} />
      ) : (
        plans.map((plan) => (
          <ButtonLink key={plan.part} to={planPath(room, plate.id, plan.part)}>
            Bite on{plans.length > 1 ? ` with ${plan.process.many}` : ""}
          </ButtonLink>
        ))
      )}
      {asking ? (
        <Acknowledge
          cautions={asksOf(plate, asking.plan)}
          what={asking.plan.process.many}
          onKnown={(acknowledged) => begin.mutate({ ...asking, acknowledged })}
          onLeave={() => setAsking(null)}
        />
      ) : null}
      <Trouble error={begin.error} />
    </>
  );
}

type Wanted = { plan: Plan; goesOn: boolean; facing: Facing | null };

const wordFor = (plan: Plan) =>
  plan.set_aside ? "Begin anew" : plan.open_again.length > 0 ? "Bite on" : "Begin to bite";

const asksOf = (plate: Plate, plan: Plan) => plate.asks[plan.part] ?? [];

function useBegin(plate: Plate) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ plan, goesOn, facing, acknowledged }: Wanted & { acknowledged: string[] }) =>
      beginRun(room, {
        id: newId(),
        plate: plate.id,
        part: plan.part,
        plan_version: plan.version,
        goes_on: goesOn,
        facing,
        acknowledged,
      }),
    onSuccess: async (run) => {
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/runs/${run.id}`);
    },
  });
}
