import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import type { Shapes } from "../../../api/client";
import { putInPlate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { NumberField, PickField, TextField, TickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, pick, shapeOf, text, yes } from "../../../ui/form/shape";
import { useForm, useTyped } from "../../../ui/form/useForm";
import { MATERIALS, materialOf } from "../../../ui/materials";
import { Section } from "../../../ui/Section";
import { shownLength } from "../../../ui/units";

const pairs = (names: string[]) => names.map((name) => [name, name] as const);
const ROUTES = pairs([
  "aquatint",
  "etched line",
  "soft ground",
  "spit bite",
  "drypoint",
  "engraving",
  "kitchen table",
  "photopolymer",
  "mixed",
]);
const MIXED = [
  "etched line, then aquatint",
  "etched line, then drypoint",
  "etched line, then aquatint, then drypoint",
  "soft ground, then aquatint",
  "soft ground, then spit bite",
  "aquatint, then drypoint",
  "engraving, then aquatint",
];
const USUAL_MM = 1.2;

const SHAPE = shapeOf("PlateIn", {
  name: text("Name"),
  metal: pick("Metal"),
  route: pick("Route"),
  parts: pick("Mixed of"),
  width_mm: length("Width"),
  height_mm: length("Height"),
  thickness_mm: length("Thickness"),
  "facts.history_unknown": yes("An old plate, its past unknown: register it with a proof first"),
});

type Read = Omit<Shapes["PlateIn"], "id" | "routes" | "metal"> & { metal: string; parts: string };

/** The parts of a mixed plate in the order they are made; a plastic by its name. */
function plateIn({ parts, metal, ...read }: Read): Omit<Shapes["PlateIn"], "id"> {
  const routes = read.route === "mixed" ? parts.split(", then ") : [];
  const { material, plastic } = materialOf<Shapes["PlateIn"]["metal"]>(metal);
  return {
    ...read,
    metal: material,
    routes: routes as Shapes["PlateIn"]["routes"],
    facts: { ...read.facts, ...(plastic ? { plastic } : {}) } as Shapes["PlateFacts"],
  };
}

/** Put a plate in the rack. */
export function NewPlate() {
  const { room, me } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const form = useForm<Read, Shapes["PlateOut"]>(SHAPE, {
    keepAs: `${room} plate`,
    start: {
      name: "",
      metal: "copper",
      route: "aquatint",
      parts: MIXED[0],
      width_mm: "",
      height_mm: "",
      thickness_mm: shownLength(USUAL_MM, me),
      facts: { face_marked: false, trimmed_again: false, history_unknown: false },
    },
    send: (read, { id }) => putInPlate(room, { id, ...plateIn(read) }),
    done: async (plate) => {
      await client.invalidateQueries({ queryKey: [room, "plates"] });
      navigate(`/r/${room}/plates/${plate.id}`);
    },
  });
  const mixed = useTyped(form, "route") === "mixed";
  return (
    <form onSubmit={form.submit} className="max-w-155" noValidate>
      <h1>Put a plate in</h1>
      <Section className="grid grid-cols-2 gap-4.5 max-phone:grid-cols-1 [&>:first-child]:col-span-full">
        <TextField form={form} name="name" />
        <PickField form={form} name="metal" options={MATERIALS} />
        <PickField form={form} name="route" options={ROUTES} />
        {mixed ? <PickField form={form} name="parts" options={pairs(MIXED)} /> : null}
        <NumberField form={form} name="width_mm" />
        <NumberField form={form} name="height_mm" />
        <NumberField
          form={form}
          name="thickness_mm"
          step={0.1}
          hint="Cut edges cut skin: file them first."
        />
        <TickField form={form} name="facts.history_unknown" />
      </Section>
      <FormFoot form={form} submit="Put it in the rack" />
    </form>
  );
}
