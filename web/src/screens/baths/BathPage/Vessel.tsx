import { useQueryClient } from "@tanstack/react-query";
import { type Bath, type BathPage, bathQuery, changeBath } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { NumberField, TextField, TickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, shapeOf, text, yes } from "../../../ui/form/shape";
import { untouched } from "../../../ui/form/untouched";
import { useForm } from "../../../ui/form/useForm";
import { typedNumber } from "../../../ui/numbers";
import { shownLength, type Units } from "../../../ui/units";
import { useSaved } from "./useSaved";

const SIDES = ["length_mm", "width_mm", "height_mm"] as const;
const SHAPE = shapeOf("BathChange", {
  name: text("Name", { needed: true }),
  volume_l: number("Volume", { needed: true }),
  length_mm: length("Inside, long"),
  width_mm: length("Inside, short"),
  height_mm: length("Inside, high"),
  held_copper: yes("Copper was in it, or in what it was poured from"),
});
type Read = Pick<Bath, "name" | "volume_l" | (typeof SIDES)[number] | "held_copper">;

const typedOf = (of: Bath, units: Units) => {
  const side = (mm: number | null) =>
    mm === null ? "" : typedNumber(Number(shownLength(mm, units)));
  return {
    name: of.name,
    volume_l: typedNumber(of.volume_l),
    length_mm: side(of.length_mm),
    width_mm: side(of.width_mm),
    height_mm: side(of.height_mm),
    held_copper: of.held_copper,
  };
};

/** Correct what was typed when it was made up: its name, how much there is, and in what. */
export function Vessel({ page, done }: { page: BathPage; done: () => void }) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const saved = useSaved();
  const { bath } = page;
  const form = useForm<Read, Bath>(SHAPE, {
    start: typedOf(bath, me),
    version: bath.version,
    send: ({ held_copper, ...read }, { version }) =>
      changeBath(room, bath.id, {
        version,
        ...read,
        ...untouched(SIDES, read, bath, me),
        ...(held_copper ? { held_copper: true } : {}),
      }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...bathQuery(room, bath.id), staleTime: 0 });
      return { version: now.version, values: typedOf(now, me) };
    },
    done: (next) => {
      done();
      return saved(next, `${next.name} is corrected. What stood before is in the record.`);
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="border-t border-hair pt-3">
      <h3>What was typed of it</h3>
      <div className="mt-2 flex flex-wrap items-start gap-4">
        <TextField form={form} name="name" />
        <NumberField form={form} name="volume_l" step={0.5} />
        <NumberField form={form} name="length_mm" />
        <NumberField form={form} name="width_mm" />
        <NumberField form={form} name="height_mm" />
        <FormFoot form={form} submit="Keep it" look="plain" beside />
      </div>
      {bath.held_copper ? (
        <p className="note mt-2">Copper was in it: that stays said.</p>
      ) : (
        <TickField form={form} name="held_copper" />
      )}
    </form>
  );
}
