import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { bathsQuery } from "../../../api/baths";
import { planQuery } from "../../../api/plans";
import { plateQuery } from "../../../api/plates";
import { stripsQuery } from "../../../api/strips";
import { Lost } from "../../../frame/Lost";
import { useHere } from "../../../frame/useHere";
import { firstForm, formOf } from "../../../processes/form";
import type { ProcessParts } from "../../../processes/parts";
import { isPart, PROCESSES } from "../../../processes/registry";
import { Trouble } from "../../../ui/Trouble";
import { PlanEditor } from "./PlanEditor";

/** Plan the bites of one part of a plate: what is wanted, strip, bath, and the section. */
export function PlanPage() {
  const { part = "" } = useParams();
  return isPart(part) ? <PlanOf key={part} process={PROCESSES[part]} /> : <Lost />;
}

function PlanOf({ process }: { process: ProcessParts }) {
  const { room } = useHere();
  const { plate: id = "" } = useParams();
  const plate = useQuery(plateQuery(room, id));
  const plan = useQuery(planQuery(room, id, process.key));
  const baths = useQuery(bathsQuery(room));
  const strips = useQuery(stripsQuery(room));
  const error = plate.error ?? plan.error ?? baths.error ?? strips.error;
  if (error) return <Trouble error={error} />;
  if (!plate.data || plan.data === undefined || !baths.data || !strips.data) return <h1>Plan</h1>;
  const { metal, width_mm, height_mm } = plate.data;
  const mine = baths.data.items.filter((bath) => bath.metal === metal && !bath.retired);
  const own = strips.data.items.filter((s) => s.metal === metal && process.calibrates(s));
  const start = plan.data
    ? formOf(process, plan.data)
    : firstForm(process, (width_mm * height_mm) / 100, mine, own);
  return (
    <PlanEditor
      key={id}
      process={process}
      plate={plate.data}
      kept={plan.data}
      start={start}
      baths={mine}
      strips={own}
    />
  );
}
