import type { Bath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import type { Plan } from "../../../api/plans";
import type { ProcessParts } from "../../../processes/parts";
import { PickField } from "../../../ui/form/Fields";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { OwnCurve } from "./OwnCurve";

type Props = {
  process: ProcessParts;
  form: Form;
  baths: Bath[];
  strips: Shapes["StripCard"][];
  plan: Plan | null;
  kept: Plan | null;
};

/** The bath and the strip that a plan is reckoned from. */
export function Sources({ process, form, baths, strips, plan, kept }: Props) {
  const chosen = useTyped(form, "bath");
  const bath = baths.find((each) => each.id === chosen);
  return (
    <div className="grid gap-3">
      <PickField form={form} name="bath" options={baths.map((b) => [b.id, b.name] as const)} />
      <PickField
        form={form}
        name="strip"
        options={[...strips.map((s) => [s.id, s.name] as const), ["", "none: a guess"]]}
      />
      {plan && kept ? <OwnCurve plan={plan} kept={kept} /> : null}
      <div className="min-h-18">
        {/* Its three lines have their place before they come: the rows below stay under the finger. */}
        {bath && plan ? (
          <process.Source
            plan={plan}
            bath={bath.name}
            celsius={bath.temperature_c}
            measured={bath.rate_factor !== null}
          />
        ) : null}
      </div>
    </div>
  );
}
