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
import { Choice, Segments } from "../../../ui/Field";
import { MeasuredLines } from "../../../ui/MeasuredLines";
import { Trouble } from "../../../ui/Trouble";
import { useLate } from "../../../ui/useLate";
import { useNow } from "../../../ui/useNow";
import { type LinesForm, planIn } from "./form";
import { Groups } from "./Groups";
import { Land } from "./Land";

type Props = {
  plate: Plate;
  kept: Plan | null;
  start: LinesForm;
  baths: Bath[];
  strips: Shapes["StripCard"][];
};

/** The editor of lines; the server solves, the browser draws. */
export function LinesEditor({ plate, kept, start, baths, strips }: Props) {
  const { room } = useHere();
  const [form, setForm] = useState(start);
  const sent = planIn(form);
  const draft = useQuery(draftQuery(room, plate.id, useLate(sent)));
  const plan = draft.data ?? kept;
  const now = useNow();
  if (baths.length === 0) return <NoBath metal={plate.metal} what="Depth" />;
  const groups = form.groups.length;
  return (
    <>
      <header className="flex flex-wrap items-center gap-4" style={{ minHeight: 56 }}>
        <h1>Lines</h1>
        <span className="note">
          {plate.name}.{" "}
          {plate.run
            ? "Bites were made: the run follows the plan it began with."
            : "Depth is time."}
        </span>
        <span className="ml-auto">
          <Segments
            label="Method"
            value={form.method}
            options={[
              ["stop-out", "Stopping out"],
              ["open-up", "Opening up"],
            ]}
            onChange={(method) => setForm({ ...form, method })}
          />
        </span>
      </header>
      <div className="two lines-two">
        <div>
          {plan ? (
            <>
              <BiteSection
                section={biteSection(plan.areas, plan.sheet.plan, plan.in_bath)}
                metal={plate.metal}
                large
                now={reachedNow(plate, plan, now)}
              />
              <Land plan={plan} />
              <StageWarnings
                plan={plan}
                fine="Each group has its depth and the land between the lines holds. Bands are 95 %."
              />
            </>
          ) : null}
        </div>
        <aside>
          <Sources form={form} setForm={setForm} baths={baths} strips={strips} plan={plan} />
          <Groups form={form} setForm={setForm} error={draft.error} count={groups} />
          <MeasuredLines
            title="Lines measured on this plate"
            hint="Seconds in the bath, at 20 °C."
            rows={form.measured}
            setRows={(measured) => setForm({ ...form, measured })}
          />
          <KeepPlan plate={plate} sent={sent} kept={kept !== null} />
          <Trouble error={draft.error} />
        </aside>
      </div>
    </>
  );
}

type SourcesProps = {
  form: LinesForm;
  setForm: (form: LinesForm) => void;
  baths: Bath[];
  strips: Shapes["StripCard"][];
  plan: Plan | null;
};

function Sources({ form, setForm, baths, strips, plan }: SourcesProps) {
  const bath = baths.find((each) => each.id === form.bath);
  const sheet = plan?.sheet;
  const measured = form.strip !== "" || form.measured.length > 0;
  return (
    <div className="cols" style={{ gap: 12 }}>
      <Choice
        label="Bath"
        value={form.bath}
        options={baths.map((b) => [b.id, b.name])}
        onChange={(id) => setForm({ ...form, bath: id })}
      />
      <Choice
        label="Line strip"
        value={form.strip}
        options={[...strips.map((s) => [s.id, s.name] as [string, string]), ["", "none: a guess"]]}
        onChange={(id) => setForm({ ...form, strip: id })}
      />
      {bath && sheet ? (
        <p className="note m-0">
          {bath.name} at <span className="n">{bath.temperature_c.toFixed(1)}</span> °C.{" "}
          {measured ? "Rate and undercut from measured lines." : "Rate is a guess, within a third."}{" "}
          Tables {told(sheet.tables)}.
        </p>
      ) : null}
    </div>
  );
}

/** The version of the tables, and which of its numbers are this room's own. */
const told = (tables: string) =>
  tables
    .replace("with own", "with this room's own")
    .replaceAll(/_(um_per_min|kj_per_mol|g_per_l|seconds)/g, "")
    .replaceAll("_", " ");
