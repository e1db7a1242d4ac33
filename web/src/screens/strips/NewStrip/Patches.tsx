import { useFieldArray } from "react-hook-form";
import type { ReadPatches } from "../../../api/strips";
import { StripScan } from "../../../scan/StripScan";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { clock, parseTime } from "../../../ui/times";
import { FromFile } from "../../../frame/FromFile";
import { type Scanned, scannedOf } from "../../../scan/scanned";

const BITTEN = [
  ["dips", "One dip more for each patch"],
  ["once", "Each patch in one dip"],
] as const;
const USUAL_SECONDS = 480;

type Props = { form: Form; keepAs: string; onScan: (scan: Scanned) => void };

/** Time in all and L* for each patch; what was understood of a time is shown below it. */
export function Patches({ form, keepAs, onScan }: Props) {
  const rows = useFieldArray({ control: form.hook.control, name: "patches" });
  const bitten = useTyped<"dips" | "once">(form, "bitten");
  const add = () => {
    const last = (form.hook.getValues("patches") as { seconds: string }[]).at(-1);
    const seconds = parseTime(last?.seconds ?? "") ?? USUAL_SECONDS;
    rows.append({ seconds: clock(seconds * 2), lstar: "" });
  };
  const fill = (answer: ReadPatches, picture: string, again: boolean) => {
    for (const [i, patch] of again ? [] : answer.patches.entries())
      form.hook.setValue(`patches.${i}.lstar`, patch.lstar.toFixed(1), { shouldDirty: true });
    onScan(scannedOf(answer, picture));
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
      <div className="flex flex-wrap items-center gap-3">
        <Button look="quiet" onClick={add}>
          Add a patch
        </Button>
        {rows.fields.length > 2 ? (
          <Button look="quiet" onClick={() => rows.remove(rows.fields.length - 1)}>
            Take out the last
          </Button>
        ) : null}
      </div>
      <div className="mt-3 grid gap-3 border-t border-hair pt-3">
        <StripScan count={rows.fields.length} keepAs={keepAs} onRead={fill} />
        <FromFile
          onRead={(readings) =>
            rows.replace(
              readings.map(({ seconds, lstar }) => ({
                seconds: seconds == null ? "" : clock(seconds),
                lstar: lstar.toFixed(1),
              })),
            )
          }
        />
      </div>
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
