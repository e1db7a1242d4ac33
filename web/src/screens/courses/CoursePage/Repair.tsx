import { useState } from "react";
import { repairRoutes } from "../../../api/calc";
import type { Shapes } from "../../../api/client";
import type { Course } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, area } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { useAddSteps } from "./useAddSteps";

type Props = { plate: Plate; course: Course; after: string };
type Add = (keys: string[], reason: string) => void;
type Input = Shapes["RepairRoutesInput"];
type Routes = Shapes["RepairRoutesOutput"];

const FAULTS = [
  ["too dark", "a place too dark"],
  ["foul bite", "a foul bite"],
] as const;
const SHAPE = shapeOf("RepairRoutesInput", {
  fault: pick("Mend"),
  area_cm2: area("Area"),
  depth_um: number("Deep", { needed: true }),
  lstar: number("Prints L*", { unit: "" }),
  wanted_lstar: number("Wanted L*", { unit: "" }),
});
const START = { fault: "too dark", area_cm2: "4", depth_um: "15", lstar: "40", wanted_lstar: "52" };
const IMPRESSIONS = 10;

/** Ways to mend a foul bite or a place too dark, with what each costs. */
export function Repair({ plate, course, after }: Props) {
  const add = useAddSteps(plate, course, after);
  const [found, setFound] = useState<Routes | null>(null);
  const form = useForm<Omit<Input, "material" | "impressions">, Routes>(SHAPE, {
    start: START,
    send: (read) =>
      repairRoutes({
        ...read,
        material: plate.metal as Input["material"],
        impressions: IMPRESSIONS,
      }),
    done: setFound,
  });
  return (
    <Section>
      <h3>Something to mend?</h3>
      <form noValidate onSubmit={form.submit}>
        <PickField form={form} name="fault" options={FAULTS} />
        <div className="mt-2.5 flex flex-wrap items-start gap-3">
          <NumberField form={form} name="area_cm2" />
          <NumberField form={form} name="depth_um" />
          <NumberField form={form} name="lstar" />
          <NumberField form={form} name="wanted_lstar" />
        </div>
        <FormFoot form={form} submit="Compare the ways" look="plain" />
      </form>
      <Trouble error={add.error} />
      {found ? <Ways found={found} add={(keys, reason) => add.mutate({ keys, reason })} /> : null}
    </Section>
  );
}

function Ways({ found, add }: { found: Routes; add: Add }) {
  return (
    <div>
      {found.new_plate_is_shorter ? (
        <Care className="my-2.5">{found.text}</Care>
      ) : (
        <p className="note my-2.5">{found.text}</p>
      )}
      {found.routes.map((way) => (
        <Way key={way.key} way={way} add={() => add(way.steps, way.title)} />
      ))}
    </div>
  );
}

function Way({ way, add }: { way: Routes["routes"][number]; add: () => void }) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_auto] justify-items-start gap-x-2.5 gap-y-0.5 border-b border-hair py-2">
      <b>{way.title}</b>
      <span className="num">
        {way.possible ? `${way.minutes} min (${way.minutes_low} to ${way.minutes_high})` : "no"}
      </span>
      <small className="col-span-full text-ink-2">
        {way.why}
        {way.possible && way.remaining_lstar !== null
          ? ` Prints about L* ${way.remaining_lstar}.`
          : ""}
      </small>
      {way.possible ? (
        <Button look="quiet" className="col-span-full" onClick={add}>
          Add its steps
        </Button>
      ) : null}
    </div>
  );
}
