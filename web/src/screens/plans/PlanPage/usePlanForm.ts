import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { keepPlan, type Plan, planQuery } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { type PlanRead, planIn, planShape, typedPlan } from "../../../processes/form";
import type { ProcessParts } from "../../../processes/parts";
import type { Typed } from "../../../ui/form/read";
import { useForm, useShape } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";

type Given = { process: ProcessParts; plate: Plate; kept: Plan | null; start: Typed };

/** The plan as a form; kept, it leads back to its plate. */
export function usePlanForm({ process, plate, kept, start }: Given) {
  const { room } = useHere();
  const client = useQueryClient();
  const navigate = useNavigate();
  const say = useSay();
  const shape = useShape(() => planShape(process), process.key);
  const query = planQuery(room, plate.id, process.key);
  return useForm<PlanRead, Plan>(shape, {
    keepAs: `${room} plan ${plate.id} ${process.key}`,
    id: kept?.id,
    version: kept?.version ?? 0,
    start,
    aliases: process.aliases,
    send: (read, sent) => keepPlan(room, plate.id, planIn(process, read, sent)),
    theirs: async () => {
      const now = (await client.fetchQuery({ ...query, staleTime: 0 })) as Plan;
      return { version: now.version, values: typedPlan(process, now) };
    },
    done: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: "The plan is kept." });
      navigate(`/r/${room}/plates/${plate.id}`);
    },
  });
}
