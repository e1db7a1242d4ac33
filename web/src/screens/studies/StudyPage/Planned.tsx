import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { keepPlan } from "../../../api/plans";
import type { Study } from "../../../api/studies";
import { newId } from "../../../device/ids";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Button, ButtonLink } from "../../../ui/Button";
import { counted } from "../../../ui/numbers";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { isPlanned, planOf } from "./planOf";

/** The areas go to the plan, and from there to the maps. */
export function Planned({ study }: { study: Study }) {
  const { room } = useHere();
  const { plate, plans } = usePlate();
  const client = useQueryClient();
  const navigate = useNavigate();
  const say = useSay();
  const kept = plans.find((plan) => plan.part === "tones") ?? null;
  const maps = `/r/${room}/plates/${plate.id}/maps`;
  const bites = study.choices.find((each) => each.count === study.cut?.count)?.bites ?? 0;
  const keep = useMutation({
    mutationFn: () => {
      const body = planOf(study, kept, newId());
      if (!body) throw new Error("Choose a bath first, below.");
      return keepPlan(room, plate.id, body);
    },
    onSuccess: async (plan) => {
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: `${counted(plan.sheet.plan.bites.length, "bite")} planned from the study.` });
      navigate(maps);
    },
  });
  if (plate.run || isPlanned(study, kept)) {
    return (
      <ButtonLink look="strong" to={maps}>
        The {study.cut?.stages.length} stop-out maps
      </ButtonLink>
    );
  }
  return (
    <span className="grid gap-1">
      <Button look="strong" disabled={keep.isPending} onClick={() => keep.mutate()}>
        Plan these {counted(bites, "bite")}
      </Button>
      <Trouble error={keep.error} />
    </span>
  );
}
