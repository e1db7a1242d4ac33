import { useQuery } from "@tanstack/react-query";
import { draftQuery, type PlanIn } from "../../../api/plans";
import type { Study } from "../../../api/studies";
import { BiteSection } from "../../../figures/bite/BiteSection";
import { biteSection, endOf } from "../../../figures/bite/model";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { Trouble } from "../../../ui/Trouble";
import { useLate } from "../../../ui/useLate";
import { planOf } from "./planOf";

/** The areas as they would be bitten; while a run is under way, as they are. */
export function AreaSection({ study }: { study: Study }) {
  const { room } = useHere();
  const { plate, plans } = usePlate();
  const kept = plans.find((plan) => plan.part === "tones") ?? null;
  const body = useLate<PlanIn | null>(study.bath ? planOf(study, kept, "") : null);
  const draft = useQuery(draftQuery(room, plate.id, plate.run ? null : body));
  const plan = plate.run ? kept : (draft.data ?? null);
  if (!study.bath) return <Care>Choose a bath below: the bites are reckoned in it.</Care>;
  if (!plan) return <Trouble error={draft.error} />;
  return (
    <>
      <BiteSection
        section={biteSection(plan.areas, plan.sheet, plan.in_bath, endOf(plan))}
        metal={plate.metal}
      />
      {plate.run
        ? null
        : plan.sheet.plan.warnings.map((warning) => (
            <Care key={warning.code + (warning.area ?? warning.bite)} className="mt-2">
              {warning.text}
            </Care>
          ))}
    </>
  );
}
