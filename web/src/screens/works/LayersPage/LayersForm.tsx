import { useQueryClient } from "@tanstack/react-query";
import { useFieldArray } from "react-hook-form";
import type { Ink } from "../../../api/editions";
import type { PlateCard } from "../../../api/plates";
import { keepWork, type Layer, type LayerIn, type Work, type WorkIn } from "../../../api/works";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField, PickField, TextField, TickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { fieldAt, length, number, pick, shapeOf, text, yes } from "../../../ui/form/shape";
import { shownIn } from "../../../ui/form/units";
import { useForm } from "../../../ui/form/useForm";
import { Empty, Section } from "../../../ui/Section";
import type { Units } from "../../../ui/units";
import { LayerRow } from "./LayerRow";

const SHAPE = shapeOf("WorkIn", {
  name: text("Name of the work"),
  width_mm: length("Print, width"),
  height_mm: length("Print, height"),
  sheet_width_mm: length("Sheet, dry, across"),
  sheet_height_mm: length("Sheet, dry, down"),
  grain: pick("Grain of the paper"),
  lift_mm: length("Plate above the middle by"),
  size: number("Edition of", { needed: true }),
  artist_proofs: number("Artist's proofs"),
  printer_proofs: number("Printer's proofs"),
  ghosts: number("Ghosts from one inking"),
  put_away: yes("Put away: not in the list any more"),
  "layers.*.name": text("Name #"),
  "layers.*.kind": pick("Kind #"),
  "layers.*.plate": pick("Plate #"),
  "layers.*.ink": pick("Ink #"),
  "layers.*.ink_class": pick("Film #"),
  "layers.*.lets_through": number("Lets through #", { optional: true, unit: "0 to 1" }),
  "layers.*.covers": number("Covers #", { unit: "0 to 1" }),
  "layers.*.key": yes("The key"),
  "layers.*.varied": yes("Inked otherwise from sheet to sheet"),
  "layers.*.width_mm": length("Width #", { optional: true }),
  "layers.*.height_mm": length("Height #", { optional: true }),
  "layers.*.open_ink": pick("Ink on the plate #"),
});
const GRAINS = [
  ["down", "runs down the sheet"],
  ["across", "runs across"],
] as const;

type Row = LayerIn & { plate: string; ink: string };
type Read = Omit<WorkIn, "version" | "layers"> & { layers: Row[] };
type Props = { work: Work; plates: PlateCard[]; inks: Ink[] };

/** What a work is made of; what is on sheets already stays. */
export function LayersForm({ work, plates, inks }: Props) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const form = useForm<Read, Work>(SHAPE, {
    keepAs: `${room} layers ${work.id}`,
    version: work.version,
    start: startOf(work, me),
    send: (read, { version }) =>
      keepWork(room, work.id, { ...read, version, layers: read.layers.map(layerIn) }),
    done: (kept) => {
      client.setQueryData([room, "work", work.id], kept);
      return client.invalidateQueries({ queryKey: [room, "works"] });
    },
  });
  const rows = useFieldArray({ control: form.hook.control, name: "layers" });
  return (
    <form noValidate onSubmit={form.submit} className="mt-3">
      {rows.fields.length === 0 ? (
        <Empty title="No layer yet">
          <p>
            A plate, a stencil, a monotype: name each in the order it comes on the sheet, the
            drawing last. Two minutes.
          </p>
        </Empty>
      ) : null}
      <ol className="grid gap-4">
        {rows.fields.map((row, i) => (
          <LayerRow
            key={row.id}
            form={form}
            at={i}
            last={rows.fields.length - 1}
            plates={offered(plates, work.layers_out, "plate")}
            inks={offered(inks, work.layers_out, "ink")}
            move={(by) => rows.move(i, i + by)}
            drop={() => rows.remove(i)}
          />
        ))}
      </ol>
      <span className="mt-3 block">
        <Button onClick={() => rows.append(typedLayer(blank(rows.fields.length), me))}>
          Add a layer
        </Button>
      </span>
      <Section>
        <h2 className="text-h3">The print and its sheet</h2>
        <div className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-3">
          <TextField form={form} name="name" />
          <NumberField form={form} name="width_mm" />
          <NumberField form={form} name="height_mm" />
          <NumberField form={form} name="sheet_width_mm" />
          <NumberField form={form} name="sheet_height_mm" />
          <PickField form={form} name="grain" options={GRAINS} />
          <NumberField form={form} name="lift_mm" />
          <NumberField form={form} name="size" />
          <NumberField form={form} name="artist_proofs" />
          <NumberField form={form} name="printer_proofs" />
          <NumberField form={form} name="ghosts" />
          <TickField form={form} name="put_away" />
        </div>
      </Section>
      <FormFoot form={form} submit="Keep the layers" />
    </form>
  );
}

/** What may be taken, and what a layer has although it was put away since. */
function offered(rows: { id: string; name: string }[], layers: Layer[], what: "plate" | "ink") {
  const named = layers.flatMap((each): [string, string][] =>
    each[what] ? [[each[what], each[`${what}_name`] || "put away"]] : [],
  );
  return [...new Map([...named, ...rows.map((each): [string, string] => [each.id, each.name])])];
}

function startOf(work: Work, units: Units) {
  const shown = (name: string, mm: number | undefined) => {
    const field = fieldAt(SHAPE, name);
    return field && mm !== undefined ? shownIn(field, mm, units, 2) : "";
  };
  return {
    name: work.name,
    width_mm: shown("width_mm", work.width_mm),
    height_mm: shown("height_mm", work.height_mm),
    sheet_width_mm: shown("sheet_width_mm", work.sheet_width_mm),
    sheet_height_mm: shown("sheet_height_mm", work.sheet_height_mm),
    grain: work.grain,
    lift_mm: shown("lift_mm", work.lift_mm),
    size: String(work.size),
    artist_proofs: String(work.artist_proofs),
    printer_proofs: String(work.printer_proofs),
    ghosts: String(work.ghosts),
    put_away: work.put_away,
    order: work.order,
    drawing: work.drawing ?? null,
    layers: work.layers_out.map((each) => typedLayer(each, units)),
  };
}

const blank = (at: number): LayerIn => ({
  ...({} as Layer),
  id: newId(),
  name: `Layer ${at + 1}`,
  kind: "plate",
  covers: 0.3,
  ink_class: "half",
  open_ink: "oil",
});

/** A layer as it is typed; what no field shows goes along as it is. */
function typedLayer(layer: LayerIn, units: Units) {
  const size = (mm: number | null | undefined) => {
    const field = fieldAt(SHAPE, "layers.0.width_mm");
    return mm == null || !field ? "" : shownIn(field, mm, units, 2);
  };
  return {
    id: layer.id,
    name: layer.name,
    kind: layer.kind ?? "plate",
    plate: layer.plate ?? "",
    ink: layer.ink ?? "",
    ink_lab: layer.ink_lab ?? null,
    ink_class: layer.ink_class ?? "half",
    lets_through: layer.lets_through == null ? "" : String(layer.lets_through),
    picture: layer.picture ?? null,
    covers: String(layer.covers ?? 0.3),
    key: layer.key ?? false,
    varied: layer.varied ?? false,
    width_mm: size(layer.width_mm),
    height_mm: size(layer.height_mm),
    open_ink: layer.open_ink ?? "oil",
    crosses: layer.crosses ?? [],
  };
}

const layerIn = (row: Row): LayerIn => ({
  ...row,
  plate: row.plate || null,
  ink: row.ink || null,
});
