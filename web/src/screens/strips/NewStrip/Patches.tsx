import { useFieldArray } from "react-hook-form";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { clock, parseTime } from "../../../ui/times";

const BITTEN = [
  ["dips", "One dip more for each patch"],
  ["once", "Each patch in one dip"],
] as const;
const USUAL_SECONDS = 480;

/** Time in all and L* for each patch; what was understood of a time is shown below it. */
export function Patches({ form }: { form: Form }) {
  const rows = useFieldArray({ control: form.hook.control, name: "patches" });
  const bitten = useTyped<"dips" | "once">(form, "bitten");
  const add = () => {
    const last = (form.hook.getValues("patches") as { seconds: string }[]).at(-1);
    const seconds = parseTime(last?.seconds ?? "") ?? USUAL_SECONDS;
    rows.append({ seconds: clock(seconds * 2), lstar: "" });
  };
  return (
    <Section>
      <div className="mb-2.5 flex flex-wrap items-center gap-4">
        <h2>Patches</h2>
        <Segments
          label="How it was bitten"
          value={bitten}
          options={BITTEN}
          onChange={(next) => form.hook.setValue("bitten", next)}
        />
      </div>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(128px,1fr))] gap-3.5">
        {rows.fields.map((row, i) => (
          <div key={row.id} className="grid content-start gap-1">
            <b className="note">Patch {i + 1}</b>
            <NumberField form={form} name={`patches.${i}.seconds`} step={5} bare />
            <NumberField form={form} name={`patches.${i}.lstar`} bare />
            <Understood form={form} place={i} />
          </div>
        ))}
      </div>
      <Button look="quiet" onClick={add}>
        Add a patch
      </Button>
    </Section>
  );
}

function Understood({ form, place }: { form: Form; place: number }) {
  const seconds = parseTime(useTyped(form, `patches.${place}.seconds`));
  return (
    <span className="note">
      {seconds === null ? "type 3:45 or 225 s" : `${clock(seconds)} in all`}
    </span>
  );
}
