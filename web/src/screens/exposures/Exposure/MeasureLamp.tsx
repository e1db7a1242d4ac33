import { hoursTold } from "./words";
import { useQueryClient } from "@tanstack/react-query";
import type { Shapes } from "../../../api/client";
import { type Lamp, measureLamp } from "../../../api/exposures";
import { FromInstrument } from "../../../frame/FromInstrument";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, time } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm, useTyped } from "../../../ui/form/useForm";
import { useSay } from "../../../ui/Toast";

type Kind = Shapes["MeasurementIn"]["kind"];

const KINDS = [
  ["wedge", "step wedge"],
  ["irradiance", "meter"],
  ["dose", "dose of an exposure"],
] as const;
/** The fields of each kind: what is asked, and what must be said. */
const ASKS: Record<Kind, readonly (keyof typeof FIELDS)[]> = {
  wedge: ["seconds", "held_step"],
  irradiance: ["mw_per_cm2"],
  dose: ["mj_per_cm2", "seconds"],
};
const FIELDS = {
  seconds: time("Exposed for", { needed: true }),
  held_step: number("Last step that holds", { needed: true }),
  mw_per_cm2: number("Light at the plate", { needed: true }),
  mj_per_cm2: number("Dose", { needed: true }),
};
const shapeFor = (kind: Kind) =>
  shapeOf("MeasurementIn", {
    hours: number("Lamp's hours"),
    ...Object.fromEntries(ASKS[kind].map((name) => [name, FIELDS[name]])),
  });
const SHAPES = {
  wedge: shapeFor("wedge"),
  irradiance: shapeFor("irradiance"),
  dose: shapeFor("dose"),
};
const SHAPE = {
  fields: { kind: { ...pick("By"), needed: true } },
};

/** A usual wedge: half a stop of light a step. */
const STEP_DENSITY = 0.15;
type Read = Pick<Shapes["MeasurementIn"], "hours" | keyof typeof FIELDS>;
type Props = { lamp: Lamp; close: () => void };

/** What a wedge, a meter or an integrator says of the lamp today. */
export function MeasureLamp({ lamp, close }: Props) {
  const which = useForm<{ kind: Kind }, void>(SHAPE, {
    start: { kind: "wedge" },
    send: async () => {},
  });
  const kind = useTyped<Kind>(which, "kind");
  return (
    <div className="my-3 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4">
      <PickField form={which} name="kind" options={KINDS} />
      <Reading key={kind} kind={kind} lamp={lamp} close={close} />
    </div>
  );
}

function Reading({ kind, lamp, close }: Props & { kind: Kind }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const form = useForm<Read, Lamp>(SHAPES[kind], {
    keepAs: `${room} ${kind} of ${lamp.id}`,
    start: {
      hours: hoursTold(lamp.hours),
      ...Object.fromEntries(ASKS[kind].map((name) => [name, ""])),
    },
    send: (read, { id }) =>
      measureLamp(room, lamp.id, { id, kind, ...read, step_density: STEP_DENSITY }),
    done: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      close();
      say({ text: "It counts. The times follow the lamp." });
    },
  });
  return (
    <form ref={useFirstField()} noValidate onSubmit={form.submit} className="mt-3">
      <div className="flex flex-wrap items-start gap-4">
        {ASKS[kind].map((name) => (
          <NumberField
            key={name}
            form={form}
            name={name}
            step={name === "seconds" ? 5 : 0.5}
            hint={
              name === "mj_per_cm2" ? <FromInstrument form={form} name={name} kind="dose" /> : null
            }
          />
        ))}
        <NumberField form={form} name="hours" hint="By its counter, or as you count them." />
      </div>
      <FormFoot form={form} submit="Log the reading">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}
