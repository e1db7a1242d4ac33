import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Bath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { draftQuery, type Plan } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { BiteSection } from "../../../figures/bite/BiteSection";
import { biteSection } from "../../../figures/bite/model";
import { StageWarnings } from "../../../figures/StageWarnings";
import { KeepPlan } from "../../../frame/KeepPlan";
import { NoBath } from "../../../frame/NoBath";
import { useHere } from "../../../frame/useHere";
import { useLate } from "../../../ui/useLate";
import { Choice, Segments } from "../../../ui/Field";
import { reachedNow } from "../../../figures/bite/reachedNow";
import { useNow } from "../../../ui/useNow";
import { Trouble } from "../../../ui/Trouble";
import { Areas } from "./Areas";
import { type PlanForm, planIn, toneForFloor } from "./form";

type Props = {
  plate: Plate;
  kept: Plan | null;
  start: PlanForm;
  baths: Bath[];
  strips: Shapes["StripCard"][];
};

/** The plan's editor: tones typed or pulled in the section; the server solves, the browser draws. */
export function PlanEditor({ plate, kept, start, baths, strips }: Props) {
  const { room } = useHere();
  const [form, setForm] = useState(start);
  const [selected, setSelected] = useState(-1);
  const [even, setEven] = useState<"eased" | "even">("eased");
  const draft = useQuery(draftQuery(room, plate.id, useLate(planIn(form))));
  const plan = draft.data ?? kept;
  const locked = Boolean(plate.run);
  const now = useNow();
  if (baths.length === 0) return <NoBath metal={plate.metal} what="A plan" />;
  const pull = (place: number, seconds: number) => {
    const name = plan?.areas[place]?.name;
    if (!plan || locked) return;
    const lstar = String(toneForFloor(plan, Math.max(5, seconds)));
    setForm({ ...form, areas: form.areas.map((a) => (a.name === name ? { ...a, lstar } : a)) });
  };
  return (
    <>
      <header className="flex flex-wrap items-center gap-4" style={{ minHeight: 56 }}>
        <h1>Bite section</h1>
        <span className="note">
          {plate.name}.{" "}
          {locked
            ? "Bites were made: the run follows the plan it began with."
            : "Pull an area's floor, or type its tone."}
        </span>
        <span className="ml-auto flex flex-wrap gap-3">
          {locked ? null : (
            <Segments
              label="Method"
              value={form.method}
              options={[
                ["stop-out", "Stopping out"],
                ["open-up", "Opening up"],
              ]}
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
      <div className="two">
        <div>
          {plan ? (
            <BiteSection
              section={biteSection(plan.areas, plan.sheet.plan, plan.in_bath)}
              metal={plate.metal}
              large
              even={even === "even"}
              now={reachedNow(plate, plan, now)}
              editing={locked ? undefined : { selected, onSelect: setSelected, onFloor: pull }}
            />
          ) : null}
          {plan ? (
            <StageWarnings
              plan={plan}
              fine="All tones are within the strip's reach and stay apart. Bands are 95 %."
            />
          ) : null}
        </div>
        <aside>
          <Sources form={form} setForm={setForm} baths={baths} strips={strips} plan={plan} />
          <Areas form={form} setForm={setForm} error={draft.error} />
          <KeepPlan plate={plate} sent={planIn(form)} kept={kept !== null} />
          <Trouble error={draft.error} />
        </aside>
      </div>
    </>
  );
}

type SourcesProps = {
  form: PlanForm;
  setForm: (form: PlanForm) => void;
  baths: Bath[];
  strips: Shapes["StripCard"][];
  plan: Plan | null;
};

function Sources({ form, setForm, baths, strips, plan }: SourcesProps) {
  const bath = baths.find((each) => each.id === form.bath);
  const sheet = plan?.sheet.plan;
  return (
    <div className="cols" style={{ gap: 12 }}>
      <Choice
        label="Bath"
        value={form.bath}
        options={baths.map((b) => [b.id, b.name])}
        onChange={(id) => setForm({ ...form, bath: id })}
      />
      <Choice
        label="Strip"
        value={form.strip}
        options={[...strips.map((s) => [s.id, s.name] as [string, string]), ["", "none: a guess"]]}
        onChange={(id) => setForm({ ...form, strip: id })}
      />
      {bath && sheet ? (
        <p className="note m-0">
          {bath.name} at <span className="n">{bath.temperature_c.toFixed(1)}</span> °C bites ×
          <b className="n">{sheet.speed.toFixed(2)}</b> against{" "}
          {form.strip ? "the strip" : "20 °C, fresh"} ({sheet.speed_low.toFixed(2)} to{" "}
          {sheet.speed_high.toFixed(2)}),{" "}
          {bath.rate_factor ? "measured" : "from thermometer and load"}. Each dip loses about{" "}
          <span className="n">{sheet.wetting_seconds.toFixed(0)}</span> s to wetting.
        </p>
      ) : null}
    </div>
  );
}
