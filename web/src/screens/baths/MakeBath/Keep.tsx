import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { type Bath, bathsQuery, makeBath } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { Care } from "../../../ui/Care";
import { NumberField, PickField, TextField, TickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, temperature, text, yes } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import type { Asked, Made } from "../../../api/baths";

const VESSELS = [
  ["tray", "tray"],
  ["tank", "upright tank"],
  ["bottle", "bottle, brushed from"],
] as const;

const SHAPE = shapeOf("BathIn", {
  name: text("Name"),
  vessel: pick("Vessel"),
  temperature_c: temperature("Temperature"),
  room_c: temperature("Room"),
  load_g_per_l: number("Metal in it"),
  made_from: pick("Decanted from"),
  held_copper: yes("Copper was never in it: it is kept for zinc"),
  fumes_known: yes("Extraction is on before the lid is off"),
});
const START = {
  name: "",
  vessel: "tray",
  temperature_c: "",
  room_c: "",
  load_g_per_l: "0",
  made_from: "",
  held_copper: false,
  fumes_known: false,
};
type Read = Pick<
  Shapes["BathIn"],
  "name" | "vessel" | "temperature_c" | "room_c" | "fumes_known"
> & {
  load_g_per_l: number | null;
  made_from: string;
  held_copper: boolean;
};

/** It is made up: name it, and it is on the shelf. */
export function Keep({ asked, made }: { asked: Asked; made: Made | null }) {
  const { room } = useHere();
  const { data: baths } = useQuery(bathsQuery(room));
  const client = useQueryClient();
  const navigate = useNavigate();
  const ferric = asked.mordant.includes("ferric");
  const nitric = asked.mordant.includes("nitric");
  const form = useForm<Read, Bath>(SHAPE, {
    keepAs: `${room} bath`,
    start: START,
    send: (read, { id }) => makeBath(room, bodyOf(read, asked, made, id)),
    done: async (bath) => {
      await client.invalidateQueries({ queryKey: [room, "baths"] });
      navigate(`/r/${room}/baths/${bath.id}`);
    },
  });
  const others = (baths?.items ?? []).map((bath): [string, string] => [bath.id, bath.name]);
  return (
    <form noValidate onSubmit={form.submit}>
      <h2>It is made up</h2>
      <div className="mt-2 grid grid-cols-[repeat(auto-fit,minmax(170px,1fr))] items-start gap-4">
        <TextField form={form} name="name" />
        <PickField form={form} name="vessel" options={VESSELS} />
        <NumberField form={form} name="temperature_c" step={0.5} />
        <NumberField form={form} name="room_c" step={0.5} hint="The bath drifts towards it." />
        <NumberField form={form} name="load_g_per_l" />
        <PickField
          form={form}
          name="made_from"
          options={[["", "nothing: all new"], ...others]}
          hint="What was in that is in this."
        />
      </div>
      {ferric ? <TickField form={form} name="held_copper" /> : null}
      {nitric ? (
        <div className="mt-2">
          <Care level="danger">
            Brown gas: leave, and see a doctor even when well; the harm comes hours later.
          </Care>
          <TickField form={form} name="fumes_known" />
        </div>
      ) : null}
      <FormFoot form={form} submit="Keep it on the shelf" disabled={made === null} />
    </form>
  );
}

function bodyOf(read: Read, asked: Asked, made: Made | null, id: string): Shapes["BathIn"] {
  const { held_copper, made_from, ...rest } = read;
  return {
    id,
    ...rest,
    mordant: asked.mordant,
    volume_l: made?.volume_l ?? asked.volume_l ?? 0,
    baume: made?.baume ?? null,
    load_g_per_l: read.load_g_per_l ?? 0,
    made_from: made_from || null,
    held_copper: held_copper ? false : null,
    width_mm: asked.vessel?.width_mm ?? null,
    length_mm: asked.vessel?.length_mm ?? null,
    height_mm: asked.vessel?.height_mm ?? null,
  };
}
