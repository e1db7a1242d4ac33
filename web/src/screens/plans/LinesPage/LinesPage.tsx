import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { bathsQuery } from "../../../api/baths";
import { planQuery } from "../../../api/plans";
import { plateQuery } from "../../../api/plates";
import { stripsQuery } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { Trouble } from "../../../ui/Trouble";
import { firstForm, formOf } from "./form";
import { LinesEditor } from "./LinesEditor";

/** Plan the lines of a plate: depth or darkness, needle and spacing; bites, widths, land. */
export function LinesPage() {
  const { room } = useHere();
  const { plate: id = "" } = useParams();
  const plate = useQuery(plateQuery(room, id));
  const plan = useQuery(planQuery(room, id, "lines"));
  const baths = useQuery(bathsQuery(room));
  const strips = useQuery(stripsQuery(room));
  const error = plate.error ?? plan.error ?? baths.error ?? strips.error;
  if (error) return <Trouble error={error} />;
  if (!plate.data || plan.data === undefined || !baths.data || !strips.data) return <h1>Lines</h1>;
  const { metal } = plate.data;
  const mine = baths.data.items.filter((bath) => bath.metal === metal && !bath.retired);
  const own = strips.data.items.filter((strip) => strip.metal === metal && strip.lines > 0);
  const start = plan.data ? formOf(plan.data) : firstForm(mine, own[0]?.id ?? "");
  return (
    <LinesEditor
      key={id}
      plate={plate.data}
      kept={plan.data}
      start={start}
      baths={mine}
      strips={own}
    />
  );
}
