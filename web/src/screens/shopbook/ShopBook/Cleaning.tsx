import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useFieldArray } from "react-hook-form";
import { calculatorQuery, cleaningOrder } from "../../../api/calc";
import type { Shapes } from "../../../api/client";
import { Button, TakeOut } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { pick, shapeOf } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { MATERIALS, materialOf } from "../../../ui/materials";
import { Beside, Empty } from "../../../ui/Section";

type Input = Shapes["CleaningOrderInput"];
type Output = Shapes["CleaningOrderOutput"];
type Layer = Input["layers"][number];
type Read = { material: string; layers: { layer: Layer }[] };

const FIRST: Layer[] = ["asphalt-varnish", "crayon", "rosin"];
const START = { material: "copper", layers: FIRST.map((layer) => ({ layer })) };
const SHAPE = shapeOf("CleaningOrderInput", {
  material: pick("Plate of"),
  "layers.*.layer": pick("Layer #"),
});

const plateOf = (chosen: string) => materialOf<Input["material"]>(chosen);

/** What comes off in which order, with the fewest changes of solvent, sparing the plate. */
export function Cleaning() {
  const [order, setOrder] = useState<Output | null>(null);
  const schema = useQuery(calculatorQuery("cleaning-order")).data;
  const all = (schema?.input.properties?.layers?.items?.enum ?? []) as Layer[];
  const form = useForm<Read, Output>(SHAPE, {
    start: START,
    send: ({ material, layers }) =>
      cleaningOrder({ ...plateOf(material), layers: layers.map((row) => row.layer) }),
    done: setOrder,
  });
  const rows = useFieldArray({ control: form.hook.control, name: "layers" });
  return (
    <Beside>
      {order ? (
        <Order order={order} />
      ) : (
        <Empty title="No order yet">
          <p>Say what lies on the plate, the uppermost first.</p>
        </Empty>
      )}
      <form noValidate onSubmit={form.submit}>
        <PickField form={form} name="material" options={MATERIALS} />
        <p className="mt-3 mb-1 font-semibold">On it, uppermost first</p>
        {rows.fields.map((row, i) => (
          <div key={row.id} className="mb-1.5 flex items-end gap-2 [&>:first-child]:flex-1">
            <PickField
              form={form}
              name={`layers.${i}.layer`}
              options={all.map((each) => [each, each.replaceAll("-", " ")] as const)}
            />
            <TakeOut what={`layer ${i + 1}`} onClick={() => rows.remove(i)} />
          </div>
        ))}
        <FormFoot form={form} submit="Find the order">
          <Button look="quiet" onClick={() => rows.append({ layer: "oil-ink" })}>
            Add a layer below
          </Button>
        </FormFoot>
      </form>
    </Beside>
  );
}

function Order({ order }: { order: Output }) {
  return (
    <div>
      <p className="mb-2">
        {order.changes === 0
          ? "One solvent takes all of it off."
          : `${order.changes} change${order.changes > 1 ? "s" : ""} of solvent.`}
      </p>
      <ol className="grid list-inside list-decimal gap-2">
        {order.steps.map((step) => (
          <li key={step.takes_off.join()}>
            <b>{step.label}</b> takes off {step.takes_off.join(", then ")}. {step.how}
            {step.cautions.map((caution) => (
              <Care key={caution} className="my-1">
                {caution}
              </Care>
            ))}
          </li>
        ))}
      </ol>
      {order.spared.map((each) => (
        <p key={each} className="note my-1">
          Left aside: {each}.
        </p>
      ))}
    </div>
  );
}
