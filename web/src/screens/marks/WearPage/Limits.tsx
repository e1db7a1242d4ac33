import type { Marks } from "../../../api/marks";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { useKeepMarks } from "../../../frame/useKeepMarks";

const SHAPE = shapeOf("MarksIn", {
  wanted: number("Wanted in all"),
  ok_impression: number("The OK is no."),
  tolerance_lstar: number("May be lighter by"),
});

type Read = { wanted: number; ok_impression: number; tolerance_lstar: number };

/** What it is measured against. */
export function Limits({ marks }: { marks: Marks }) {
  const keep = useKeepMarks(marks);
  const form = useForm<Read, Marks>(SHAPE, {
    version: marks.version,
    start: {
      wanted: String(marks.wanted),
      ok_impression: String(marks.ok_impression),
      tolerance_lstar: String(marks.tolerance_lstar),
    },
    send: (read, { version }) => keep(read, version),
  });
  return (
    <form noValidate onSubmit={form.submit} className="grid gap-2.5 border-t-2 border-ink pt-2">
      <h2 className="text-h3">Measured against</h2>
      <NumberField form={form} name="wanted" />
      <NumberField form={form} name="ok_impression" />
      <NumberField form={form} name="tolerance_lstar" step={0.5} />
      <FormFoot form={form} submit="Keep" look="plain" />
    </form>
  );
}
