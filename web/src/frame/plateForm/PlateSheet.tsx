import type { ReactNode } from "react";
import { Care } from "../../ui/Care";
import { TextField, TickField } from "../../ui/form/Fields";
import { FormFoot } from "../../ui/form/FormFoot";
import type { Form } from "../../ui/form/useForm";
import { useKeys } from "../../ui/useKeys";
import { DrawnPlate } from "./DrawnPlate";
import { Metals } from "./Metals";
import { Routes, toggle } from "./Routes";
import { METALS } from "./shape";
import { usePutIn } from "./usePutIn";
import { Way } from "./Way";

type Props = {
  form: Form;
  title: string;
  submit: string;
  /** Under the head of a plate that is in the rack. */
  within?: boolean;
  also?: ReactNode;
};

/** What plate is this: typed on its drawing, with what it takes and goes through beside it. */
export function PlateSheet({ form, title, submit, within, also }: Props) {
  const of = usePutIn(form);
  const turn = METALS.findIndex(([metal]) => metal === of.material);
  const next = METALS[(turn + 1) % METALS.length];
  useKeys({
    m: () => next && form.hook.setValue("metal", next[0], { shouldDirty: true }),
    ...Object.fromEntries(
      (of.told?.routes ?? []).map((fit, n) => [
        String(n + 1),
        () => (fit.fits || of.routes.includes(fit.route)) && toggle(form, of.routes, fit.route),
      ]),
    ),
  });
  return (
    <form onSubmit={form.submit} noValidate>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2 border-b-2 border-ink pb-2">
        {within ? <h2>{title}</h2> : <h1>{title}</h1>}
        <div className="w-62 max-w-full">
          <TextField form={form} name="name" />
        </div>
        <span className="note pb-2">Type on the drawing. It grows as you type.</span>
      </div>
      <div className="mt-3 grid grid-cols-[minmax(0,470px)_minmax(0,1fr)] gap-8 max-desk:grid-cols-1">
        <div className="min-w-0">
          <Metals form={form} of={of} />
          <DrawnPlate form={form} of={of} />
        </div>
        <Routes form={form} of={of} />
      </div>
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)_auto] gap-8 border-t-2 border-ink pt-3 max-phone:grid-cols-1">
        <Way of={of} />
        <div className="[&>div]:mt-0">
          <FormFoot form={form} submit={submit}>
            {also}
          </FormFoot>
          <TickField form={form} name="facts.history_unknown" />
          {form.hook.watch("facts.history_unknown") ? (
            <Care className="max-w-72">Register it with a proof before anything else is done.</Care>
          ) : null}
        </div>
      </div>
    </form>
  );
}
