import { usePlate } from "../../../frame/PlateFrame";
import type { PlanArea } from "../../../api/plans";
import { FOULED, Printing } from "../../../printed/Printing";
import { ReadTones, type ToneRow } from "../../../printed/ReadTones";
import { LongField, PickField, TickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { useTyped } from "../../../ui/form/useForm";
import { Beside } from "../../../ui/Section";
import { clock, roman } from "../../../ui/times";
import { FromScan } from "./FromScan";
import { useProofForm } from "./useProofForm";
import { PictureField } from "./PictureField";

/** Hang a proof: its picture, how it was printed, the tones read off it. */
export function NewProof() {
  const { plate, plans } = usePlate();
  const areas = plans.flatMap((plan) => (plan.process.goal.kind === "tone" ? plan.areas : []));
  const { form, picture } = useProofForm(plate, areas);
  const same = useTyped<boolean>(form, "same_state");
  const state = same && plate.state_number ? plate.state_number : plate.state_number + 1;
  return (
    <form noValidate onSubmit={form.submit}>
      <h2>Hang a proof</h2>
      <p className="note">
        State {roman(state)}. Gloves for ink and solvents, no food. Clean the plate at once: dried
        ink in the lines ruins it.
      </p>
      <Beside side="even" className="mt-3">
        <div className="grid gap-4">
          <PictureField picture={picture} />
          <Printing form={form} />
          <LongField form={form} name="note" />
        </div>
        <div className="grid gap-3">
          <ReadTones rows={areas.map(rowOf)} form={form}>
            <FromScan plate={plate} areas={areas} form={form} picture={picture} />
          </ReadTones>
          <PickField form={form} name="foul_bite" options={FOULED} />
          <TickField form={form} name="same_state" />
          <TickField form={form} name="ok_to_print" />
          <FormFoot form={form} submit={`Log State ${roman(state)}`} />
        </div>
      </Beside>
    </form>
  );
}

const rowOf = ({ name, parts, seconds, lstar }: PlanArea): ToneRow => ({
  name,
  parts: parts ?? "",
  wanted: seconds == null ? (lstar ?? "white") : clock(seconds),
});
