import { useState } from "react";
import { useFieldArray } from "react-hook-form";
import { dilute } from "../../../api/calc";
import type { Shapes } from "../../../api/client";
import { Button, TakeOut } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Beside, Empty } from "../../../ui/Section";

type Output = Shapes["DiluteOutput"];
type Poured = Shapes["PouredPart"];
type Read = { parts: { name: string; role: string; parts: number }[]; volume_l: number };

const ROLES = [
  ["", "which role?"],
  ["water", "Water"],
  ["acid", "Acid"],
  ["ferric", "Ferric"],
  ["salt", "Salt"],
  ["alkali", "Alkali"],
  ["other", "Other"],
] as const;
const SHAPE = shapeOf("DiluteInput", {
  "parts.*.name": text("Part #", { needed: true }),
  "parts.*.role": pick("Role of part #"),
  "parts.*.parts": number("How many of part #", { needed: true }),
  volume_l: number("In all"),
});
const START = {
  parts: [
    { name: "nitric acid", role: "acid", parts: "1" },
    { name: "water", role: "water", parts: "10" },
  ],
  volume_l: "3",
};

/** Parts mixed by their roles: what is poured in which order, never the acid first. */
export function Mix() {
  const [mixed, setMixed] = useState<Output | null>(null);
  const form = useForm<Read, Output>(SHAPE, {
    start: START,
    send: ({ parts, volume_l }) =>
      dilute({
        volume_l,
        parts: parts.map((row) => ({ ...row, role: (row.role || null) as Poured["role"] })),
      }),
    done: setMixed,
  });
  const rows = useFieldArray({ control: form.hook.control, name: "parts" });
  return (
    <Beside>
      {mixed ? (
        <Order mixed={mixed} />
      ) : (
        <Empty title="Nothing mixed yet">
          <p>
            Say what is mixed, and what each part is: water, acid, ferric, salt. 1 + 10 is one part
            and ten of water. What nobody knows is not mixed.
          </p>
        </Empty>
      )}
      <form noValidate onSubmit={form.submit}>
        {rows.fields.map((row, i) => (
          <div
            key={row.id}
            className="mb-2.5 grid grid-cols-[minmax(0,2fr)_minmax(0,1.3fr)_88px_auto] items-end gap-2 max-phone:grid-cols-2"
          >
            <TextField form={form} name={`parts.${i}.name`} />
            <PickField form={form} name={`parts.${i}.role`} options={ROLES} />
            <NumberField form={form} name={`parts.${i}.parts`} />
            <TakeOut what={`part ${i + 1}`} onClick={() => rows.remove(i)} />
          </div>
        ))}
        <NumberField form={form} name="volume_l" step={0.5} />
        <FormFoot form={form} submit="Say how to pour">
          <Button look="quiet" onClick={() => rows.append({ name: "", role: "", parts: "1" })}>
            Add a part
          </Button>
        </FormFoot>
      </form>
    </Beside>
  );
}

/** The pouring, in its order; what to beware of stands above it. */
function Order({ mixed }: { mixed: Output }) {
  return (
    <section aria-label="How to pour">
      {mixed.cautions.map((caution) => (
        <Care key={caution} className="mb-2">
          {caution}
        </Care>
      ))}
      <ol className="grid gap-2">
        {mixed.pour.map((line) => (
          <li key={line} className="num font-slab text-h2">
            {line}
          </li>
        ))}
      </ol>
    </section>
  );
}
