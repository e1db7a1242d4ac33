import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Bath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { draftQuery, type Plan } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { BiteSection } from "../../../figures/bite/BiteSection";
import { biteSection } from "../../../figures/bite/model";
import { reachedNow } from "../../../figures/bite/reachedNow";
import { StageWarnings } from "../../../figures/StageWarnings";
import { KeepPlan } from "../../../frame/KeepPlan";
import { NoBath } from "../../../frame/NoBath";
import { useHere } from "../../../frame/useHere";
import { planIn } from "../../../processes/form";
import type { PlanForm } from "../../../processes/typed";
import type { ProcessParts } from "../../../processes/parts";
import { Segments } from "../../../ui/Field";
import { MeasuredLines } from "../../../ui/MeasuredLines";
import { Trouble } from "../../../ui/Trouble";
import { useLate } from "../../../ui/useLate";
import { useNow } from "../../../ui/useNow";
import { Areas } from "./Areas";
import { Sources } from "./Sources";

type Props = {
  process: ProcessParts;
  plate: Plate;
  kept: Plan | null;
  start: PlanForm;
  baths: Bath[];
  strips: Shapes["StripCard"][];
};

/** The plan's editor: goals typed or pulled in the section; the server solves, the browser draws. */
export function PlanEditor({ process, plate, kept, start, baths, strips }: Props) {
  const { room } = useHere();
  const [form, setForm] = useState(start);
  const [even, setEven] = useState<Scale>("eased");
  const sent = planIn(process, form);
  const draft = useQuery(draftQuery(room, plate.id, useLate(sent)));
  const plan = draft.data ?? kept;
  if (baths.length === 0) return <NoBath metal={plate.metal} what="A plan" />;
  return (
    <>
      <Heading
        process={process}
        plate={plate}
        form={form}
        setForm={setForm}
        even={even}
        setEven={setEven}
      />
      <div className={process.heads.length > 1 ? "two lines-two" : "two"}>
        <div>
          {plan ? (
            <Figure
              process={process}
              plate={plate}
              plan={plan}
              form={form}
              setForm={setForm}
              even={even}
            />
          ) : null}
        </div>
        <aside>
          <Sources
            process={process}
            form={form}
            setForm={setForm}
            baths={baths}
            strips={strips}
            plan={plan}
          />
          <Areas process={process} form={form} setForm={setForm} error={draft.error} />
          {process.measures ? (
            <MeasuredLines
              title="Lines measured on this plate"
              hint="Seconds in the bath, at 20 °C."
              rows={form.measured}
              setRows={(measured) => setForm({ ...form, measured })}
            />
          ) : null}
          <KeepPlan plate={plate} sent={sent} kept={kept !== null} />
          <Trouble error={draft.error} />
        </aside>
      </div>
    </>
  );
}

type Scale = "eased" | "even";
type Typed = {
  process: ProcessParts;
  plate: Plate;
  form: PlanForm;
  setForm: (f: PlanForm) => void;
};

function Heading(props: Typed & { even: Scale; setEven: (even: Scale) => void }) {
  const { process, plate, form, setForm, even, setEven } = props;
  const words = plate.processes.find((each) => each.key === process.key);
  return (
    <header className="flex flex-wrap items-center gap-4" style={{ minHeight: 56 }}>
      <h1>{words?.title ?? "Plan"}</h1>
      <span className="note">
        {plate.name}.{" "}
        {plate.run ? "Bites were made: the run follows the plan it began with." : process.hint}
      </span>
      <span className="ml-auto flex flex-wrap gap-3">
        {plate.run || process.methods.length < 2 ? null : (
          <Segments
            label="Method"
            value={form.method}
            options={process.methods}
            onChange={(method) => setForm({ ...form, method })}
          />
        )}
        <Segments
          label="Scale"
          value={even}
          options={[
            ["eased", "Eased scale"],
            ["even", "Even minutes"],
          ]}
          onChange={setEven}
        />
      </span>
    </header>
  );
}

/** The section, what stands below it, and what to beware of. */
function Figure(props: Typed & { plan: Plan; even: Scale }) {
  const { process, plate, plan, form, setForm, even } = props;
  const [selected, setSelected] = useState(-1);
  const now = useNow();
  const { pulled, Below } = process;
  const pull = (place: number, seconds: number) => {
    const name = plan.areas[place]?.name;
    if (!pulled) return;
    const wish = pulled(plan, Math.max(5, seconds));
    setForm({ ...form, areas: form.areas.map((a) => (a.name === name ? { ...a, wish } : a)) });
  };
  return (
    <>
      <BiteSection
        section={biteSection(plan.areas, plan.sheet, plan.in_bath, plan.process.hands.closing)}
        metal={plate.metal}
        large
        even={even === "even"}
        now={reachedNow(plate, plan, now)}
        editing={
          pulled && !plate.run ? { selected, onSelect: setSelected, onFloor: pull } : undefined
        }
      />
      {Below ? <Below plan={plan} /> : null}
      <StageWarnings plan={plan} fine={process.fine} />
    </>
  );
}
