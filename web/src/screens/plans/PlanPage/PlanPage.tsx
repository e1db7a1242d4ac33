import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { bathsQuery } from "../../../api/baths";
import { planQuery } from "../../../api/plans";
import { plateQuery } from "../../../api/plates";
import { stripsQuery } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { Trouble } from "../../../ui/Trouble";
import { firstForm, formOf } from "./form";
import { PlanEditor } from "./PlanEditor";

/** Plan the bites of a plate: tones by hand, strip, bath, and the section as the editor. */
export function PlanPage() {
  const { room } = useHere();
  const { plate: id = "" } = useParams();
  const plate = useQuery(plateQuery(room, id));
  const plan = useQuery(planQuery(room, id));
  const baths = useQuery(bathsQuery(room));
  const strips = useQuery(stripsQuery(room));
  const error = plate.error ?? plan.error ?? baths.error ?? strips.error;
  if (error) return <Trouble error={error} />;
  if (!plate.data || plan.data === undefined || !baths.data || !strips.data) return <h1>Plan</h1>;
  const mine = baths.data.items.filter((bath) => bath.metal === plate.data.metal && !bath.retired);
  const own = strips.data.items.filter((strip) => strip.metal === plate.data.metal && strip.usable);
  const start = plan.data ? formOf(plan.data) : firstForm(plate.data, mine, own);
  return (
    <PlanEditor
      key={id}
      plate={plate.data}
      kept={plan.data}
      start={start}
      baths={mine}
      strips={own}
    />
  );
}
