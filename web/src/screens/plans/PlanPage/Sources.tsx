import type { Bath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import type { Plan } from "../../../api/plans";
import type { PlanForm } from "../../../processes/typed";
import type { ProcessParts } from "../../../processes/parts";
import { Choice } from "../../../ui/Field";

type Props = {
  process: ProcessParts;
  form: PlanForm;
  setForm: (form: PlanForm) => void;
  baths: Bath[];
  strips: Shapes["StripCard"][];
  plan: Plan | null;
};

/** The bath and the strip that a plan is reckoned from. */
export function Sources({ process, form, setForm, baths, strips, plan }: Props) {
  const bath = baths.find((each) => each.id === form.bath);
  return (
    <div className="cols" style={{ gap: 12 }}>
      <Choice
        label="Bath"
        value={form.bath}
        options={baths.map((b) => [b.id, b.name])}
        onChange={(id) => setForm({ ...form, bath: id })}
      />
      <Choice
        label={process.stripLabel}
        value={form.strip}
        options={[...strips.map((s) => [s.id, s.name] as [string, string]), ["", "none: a guess"]]}
        onChange={(id) => setForm({ ...form, strip: id })}
      />
      {bath && plan ? (
        <process.Source
          plan={plan}
          bath={bath.name}
          celsius={bath.temperature_c}
          measured={bath.rate_factor !== null}
        />
      ) : null}
    </div>
  );
}
