import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { bathsQuery } from "../../../api/baths";
import { planQuery } from "../../../api/plans";
import { everyStripQuery } from "../../../api/strips";
import { Lost } from "../../../frame/Lost";
import { NoBath } from "../../../frame/NoBath";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { firstPlan, typedPlan } from "../../../processes/form";
import type { ProcessParts } from "../../../processes/parts";
import { isPart, PROCESSES } from "../../../processes/registry";
import { Asking } from "../../../ui/Asking";
import { PlanEditor } from "./PlanEditor";

/** Plan the bites of one part of a plate: what is wanted, strip, bath, and the section. */
export function PlanPage() {
  const { part = "" } = useParams();
  return isPart(part) ? <PlanOf key={part} process={PROCESSES[part]} /> : <Lost />;
}

function PlanOf({ process }: { process: ProcessParts }) {
  const { room } = useHere();
  const { plate } = usePlate();
  const plan = useQuery(planQuery(room, plate.id, process.key));
  const baths = useQuery(bathsQuery(room));
  const strips = useQuery(everyStripQuery(room));
  const error = plan.error ?? baths.error ?? strips.error;
  if (plan.data === undefined || !baths.data || !strips.data) {
    return (
      <Asking error={error}>
        <h2>Plan</h2>
      </Asking>
    );
  }
  const { metal, width_mm, height_mm } = plate;
  const mine = baths.data.items.filter((bath) => bath.metal === metal && !bath.retired);
  const own = strips.data.items.filter((s) => s.metal === metal && process.calibrates(s));
  if (mine.length === 0) return <NoBath metal={metal} what="A plan" />;
  const start = plan.data
    ? typedPlan(process, plan.data)
    : firstPlan(process, (width_mm * height_mm) / 100, mine, own);
  return (
    <PlanEditor
      key={plate.id}
      process={process}
      plate={plate}
      kept={plan.data}
      start={start}
      baths={mine}
      strips={own}
    />
  );
}
