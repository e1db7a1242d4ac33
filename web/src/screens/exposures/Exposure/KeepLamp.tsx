import { useQueryClient } from "@tanstack/react-query";
import type { Shapes } from "../../../api/client";
import { keepLamp, type Lamp, lampsQuery } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField, PickField, TextField, TickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, pick, shapeOf, text, yes } from "../../../ui/form/shape";
import type { Typed } from "../../../ui/form/read";
import { BED_FIELDS, BedFields, type Points, typedBed, withNine } from "./bed";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm } from "../../../ui/form/useForm";
import { type Units, shownLength } from "../../../ui/units";
import { useSay } from "../../../ui/Toast";

const KINDS = [
  ["point", "one small lamp"],
  ["tubes", "tubes"],
  ["panel", "LED panel"],
] as const;
const SHAPE = shapeOf("LampIn", {
  name: text("Name"),
  kind: pick("Kind"),
  hours: number("Hours burnt", { optional: true }),
  distance_mm: length("From the plate", { optional: true }),
  vacuum: yes("Vacuum frame"),
  note: text("Note", { optional: true }),
  put_away: yes("Put away"),
  ...BED_FIELDS,
});
type Read = Omit<Shapes["LampIn"], "id" | "version" | "nine"> & Points;

/** Enter a lamp, or change it. */
export function KeepLamp({ lamp, close }: { lamp: Lamp | null; close: () => void }) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const form = useForm<Read, Lamp>(SHAPE, {
    keepAs: `${room} lamp ${lamp?.id ?? "new"}`,
    id: lamp?.id,
    version: lamp?.version ?? 0,
    start: typed(lamp, me),
    send: (read, sent) => keepLamp(room, { ...withNine(read), ...sent }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...lampsQuery(room), staleTime: 0 });
      const own = now.items.find((each) => each.id === lamp?.id) ?? null;
      return { version: own?.version ?? 0, values: typed(own, me) };
    },
    done: async (next) => {
      await client.invalidateQueries({ queryKey: [room] });
      close();
      say({ text: `${next.name} is kept.` });
    },
  });
  return (
    <form
      ref={useFirstField()}
      noValidate
      onSubmit={form.submit}
      className="my-3 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4"
    >
      <div className="flex flex-wrap items-start gap-4">
        <TextField form={form} name="name" />
        <PickField form={form} name="kind" options={KINDS} />
        <NumberField form={form} name="hours" hint="Empty: nobody counts them." />
        <NumberField form={form} name="distance_mm" step={5} />
        <TextField form={form} name="note" />
        <TickField form={form} name="vacuum" />
        {lamp ? <TickField form={form} name="put_away" /> : null}
      </div>
      <BedFields form={form} open={(lamp?.nine.length ?? 0) > 0} />
      <FormFoot form={form} submit={lamp ? "Keep the lamp" : "Enter the lamp"}>
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}

const typed = (lamp: Lamp | null, units: Units): Typed => ({
  name: lamp?.name ?? "",
  kind: lamp?.kind ?? "tubes",
  hours: lamp?.hours == null ? "" : String(Number(lamp.hours.toFixed(2))),
  distance_mm: lamp?.distance_mm == null ? "" : shownLength(lamp.distance_mm, units),
  vacuum: lamp?.vacuum ?? false,
  note: lamp?.note ?? "",
  put_away: lamp?.put_away ?? false,
  ...typedBed(lamp, units),
});
