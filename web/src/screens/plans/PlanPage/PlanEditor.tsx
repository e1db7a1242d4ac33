import { inUnits } from "../../../ui/inUnits";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Bath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { draftQuery, type Plan } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { type PlanRead, planIn } from "../../../processes/form";
import type { ProcessParts } from "../../../processes/parts";
import { FormFoot } from "../../../ui/form/FormFoot";
import { MeasuredLines } from "../../../ui/form/MeasuredLines";
import type { Typed } from "../../../ui/form/read";
import type { Form } from "../../../ui/form/useForm";
import { Beside } from "../../../ui/Section";
import { useLate } from "../../../ui/useLate";
import { Areas } from "./Areas";
import { Compare } from "./Compare";
import { Figure } from "./Figure";
import { GoingOn } from "./GoingOn";
import { Heading, type Scale } from "./Heading";
import { Preview } from "./Preview";
import { Sources } from "./Sources";
import { usePlanForm } from "./usePlanForm";

type Props = {
  process: ProcessParts;
  plate: Plate;
  kept: Plan | null;
  start: Typed;
  baths: Bath[];
  strips: Shapes["StripCard"][];
};

/** The plan's editor: goals typed or pulled in the section; the server solves, the browser draws. */
export function PlanEditor(props: Props) {
  const { process, plate, kept, baths, strips } = props;
  const form = usePlanForm(props);
  const [scale, setScale] = useState<Scale>("eased");
  const { plan, sent } = useDraft(form, process, plate, kept);
  return (
    <form onSubmit={form.submit} noValidate>
      <Heading process={process} plate={plate} form={form} scale={scale} setScale={setScale} />
      <Beside side={process.heads.length > 1 ? "wide" : "narrow"}>
        <div className={plan ? "min-w-0" : "min-h-96 min-w-0"}>
          {plan ? (
            <Figure
              process={process}
              plate={plate}
              plan={plan}
              form={form}
              even={scale === "even"}
            />
          ) : null}
          {plan && !plate.run && !plan.sheet.by_clock ? (
            <Compare
              process={process}
              plate={plate.id}
              goal={plan.sheet.goal}
              form={form}
              sent={sent}
            />
          ) : null}
          {plan && plate.maps ? <Preview plan={plan} /> : null}
        </div>
        <aside className="min-w-0">
          <Sources
            process={process}
            form={form}
            baths={baths}
            strips={strips}
            plan={plan}
            kept={kept}
          />
          <Areas process={process} form={form} plan={plan} />
          {plan ? <GoingOn form={form} plan={plan} /> : null}
          {process.measures ? (
            <MeasuredLines
              form={form}
              at="measured"
              title="Lines measured on this plate"
              hint={inUnits("Seconds in the bath, at 20 °C.", form.units)}
            />
          ) : null}
          <FormFoot form={form} submit={kept ? "Keep the changes" : "Keep the plan"} />
        </aside>
      </Beside>
    </form>
  );
}

/** What the server makes of what is typed; while something cannot be read, what it made before. */
function useDraft(form: Form, process: ProcessParts, plate: Plate, kept: Plan | null) {
  const { room } = useHere();
  const read = form.peek<PlanRead>(form.hook.watch());
  const version = kept?.version ?? 0;
  const sent =
    read && read.areas.length > 0 ? planIn(process, read, { id: form.id, version }) : null;
  const draft = useQuery(draftQuery(room, plate.id, useLate(sent)));
  const { place } = form;
  useEffect(() => place(draft.error), [place, draft.error]);
  return { plan: draft.data ?? kept, sent };
}
