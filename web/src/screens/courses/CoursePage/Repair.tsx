import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { repairRoutes } from "../../../api/calc";
import type { Shapes } from "../../../api/client";
import type { Course } from "../../../api/courses";
import type { Plate } from "../../../api/plates";
import { elsewhere, faultAt } from "../../../ui/faults";
import { Choice, NumberField } from "../../../ui/Field";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";
import { useAddSteps } from "./useAddSteps";

type Props = { plate: Plate; course: Course; after: string };
type Add = (keys: string[], reason: string) => void;
type Routes = Shapes["RepairRoutesOutput"];

/** Ways to mend a foul bite or a place too dark, with what each costs. */
export function Repair({ plate, course, after }: Props) {
  const add = useAddSteps(plate, course, after);
  const [fault, setFault] = useState<"foul bite" | "too dark">("too dark");
  const [form, setForm] = useState({ area: "4", depth: "15", now: "40", wanted: "52" });
  const set = (key: keyof typeof form) => (value: string) => setForm({ ...form, [key]: value });
  const number = (text: string) => Number(text.replace(",", "."));
  const ask = useMutation({
    mutationFn: () =>
      repairRoutes({
        fault,
        material: plate.metal as "copper",
        area_cm2: number(form.area),
        depth_um: number(form.depth),
        lstar: number(form.now),
        wanted_lstar: number(form.wanted),
        impressions: 10,
      }),
  });
  const fields = ["area_cm2", "depth_um", "lstar", "wanted_lstar"];
  return (
    <section className="section">
      <h3 style={{ marginTop: 0 }}>Something to mend?</h3>
      <Choice
        label="Mend"
        value={fault}
        options={[
          ["too dark", "a place too dark"],
          ["foul bite", "a foul bite"],
        ]}
        onChange={setFault}
      />
      <div className="flex flex-wrap gap-3" style={{ margin: "10px 0" }}>
        <NumberField
          label="Area"
          unit="cm²"
          value={form.area}
          onChange={set("area")}
          fault={faultAt(ask.error, "area_cm2")}
        />
        <NumberField
          label="Deep"
          unit="µm"
          value={form.depth}
          onChange={set("depth")}
          fault={faultAt(ask.error, "depth_um")}
        />
        <NumberField
          label="Prints L*"
          value={form.now}
          onChange={set("now")}
          fault={faultAt(ask.error, "lstar")}
        />
        <NumberField
          label="Wanted L*"
          value={form.wanted}
          onChange={set("wanted")}
          fault={faultAt(ask.error, "wanted_lstar")}
        />
      </div>
      <button type="button" className="btn" onClick={() => ask.mutate()}>
        Compare the ways
      </button>
      <Trouble error={elsewhere(ask.error, fields) ?? add.error} />
      {ask.data ? (
        <Ways found={ask.data} add={(keys, reason) => add.mutate({ keys, reason })} />
      ) : null}
    </section>
  );
}

function Ways({ found, add }: { found: Routes; add: Add }) {
  return (
    <div>
      <p className={found.new_plate_is_shorter ? "care" : "note"} style={{ margin: "10px 0" }}>
        {found.new_plate_is_shorter ? <Mark name="care" /> : null}
        <span>{found.text}</span>
      </p>
      {found.routes.map((way) => (
        <div key={way.key} className="way">
          <b>{way.title}</b>
          <span className="n">
            {way.possible ? `${way.minutes} min (${way.minutes_low} to ${way.minutes_high})` : "no"}
          </span>
          <small>
            {way.why}
            {way.possible && way.remaining_lstar !== null
              ? ` Prints about L* ${way.remaining_lstar}.`
              : ""}
          </small>
          {way.possible ? (
            <button type="button" className="btn quiet" onClick={() => add(way.steps, way.title)}>
              Add its steps
            </button>
          ) : null}
        </div>
      ))}
    </div>
  );
}
