import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { type Bath, makeBath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { useMordantOptions } from "../../../api/mordants";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { NumberField, PickField, TextField, TickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, temperature, text, yes } from "../../../ui/form/shape";
import { useForm, useTyped } from "../../../ui/form/useForm";

const VESSELS = [
  ["tray", "tray"],
  ["tank", "upright tank"],
  ["bottle", "bottle, brushed from"],
] as const;

const SHAPE = shapeOf("BathIn", {
  name: text("Name"),
  mordant: pick("Mordant"),
  vessel: pick("Vessel"),
  volume_l: number("Volume"),
  temperature_c: temperature("Temperature"),
  room_c: temperature("Room"),
  load_g_per_l: number("Metal in it"),
  baume: number("Hydrometer"),
  fumes_known: yes("Extraction is on before the lid is off"),
});
const START = {
  name: "",
  mordant: "copper-ferric",
  vessel: "tray",
  volume_l: "",
  temperature_c: "",
  room_c: "",
  load_g_per_l: "0",
  baume: "",
  fumes_known: false,
};
type Read = Omit<Shapes["BathIn"], "id">;

/** Make up a bath; what gives off fumes asks for the extraction first. */
export function MakeBath() {
  const mordants = useMordantOptions();
  const { room } = useHere();
  const client = useQueryClient();
  const navigate = useNavigate();
  const form = useForm<Read, Bath>(SHAPE, {
    keepAs: `${room} bath`,
    start: START,
    send: (read, { id }) => makeBath(room, { id, ...read, load_g_per_l: read.load_g_per_l ?? 0 }),
    done: async (bath) => {
      await client.invalidateQueries({ queryKey: [room, "baths"] });
      navigate(`/r/${room}/baths/${bath.id}`);
    },
  });
  const mordant = useTyped(form, "mordant");
  return (
    <form
      noValidate
      onSubmit={form.submit}
      className="mb-4.5 max-w-205 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4.5"
    >
      <div className="grid grid-cols-[repeat(auto-fit,minmax(170px,1fr))] gap-4">
        <TextField form={form} name="name" />
        <PickField form={form} name="mordant" options={mordants} />
        <PickField form={form} name="vessel" options={VESSELS} />
        <NumberField form={form} name="volume_l" step={0.5} />
        <NumberField form={form} name="temperature_c" step={0.5} />
        <NumberField form={form} name="room_c" step={0.5} hint="The bath drifts towards it." />
        <NumberField form={form} name="load_g_per_l" />
        {mordant.includes("ferric") ? <NumberField form={form} name="baume" /> : null}
      </div>
      <p className="note mt-3">
        Acid into water, never water into acid. Goggles and gloves. The supplier's sheet and local
        rules come first.
      </p>
      {mordant.includes("nitric") ? (
        <div className="mt-2">
          <Care level="danger">
            Brown gas: leave, and see a doctor even when well; the harm comes hours later.
          </Care>
          <TickField form={form} name="fumes_known" />
        </div>
      ) : null}
      <FormFoot form={form} submit="Make it up" />
    </form>
  );
}
