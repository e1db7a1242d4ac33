import { useQuery, useQueryClient } from "@tanstack/react-query";
import { bathsQuery } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { makeInstrument, type TokenTold } from "../../../api/instruments";
import { useHere } from "../../../frame/useHere";
import { NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, text } from "../../../ui/form/shape";
import { useForm, useTyped } from "../../../ui/form/useForm";

const KINDS = [
  ["bath-probe", "bath probe"],
  ["scale", "scale"],
  ["hydrometer", "hydrometer"],
  ["densitometer", "densitometer"],
  ["exposure", "exposure integrator"],
] as const;

const SHAPE = shapeOf("InstrumentIn", {
  name: text("Name"),
  kind: pick("Kind"),
  bath: pick("Hangs in"),
  every_seconds: number("Speaks every", { optional: true }),
  days: number("Token good for", { optional: true }),
});
type Read = Omit<Shapes["InstrumentIn"], "id" | "bath" | "every_seconds" | "days"> & {
  bath: string;
  every_seconds: number | null;
  days: number | null;
};
const [USUAL_SECONDS, USUAL_DAYS] = [5, 365];

/** Add an instrument: its token is told once. */
export function MakeInstrument({ tell }: { tell: (told: TokenTold) => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const { data: baths } = useQuery(bathsQuery(room));
  const form = useForm<Read, Shapes["InstrumentMade"]>(SHAPE, {
    start: { name: "", kind: "bath-probe", bath: "", every_seconds: "5", days: "365" },
    send: (read, { id }) =>
      makeInstrument(room, {
        id,
        ...read,
        bath: read.bath || null,
        every_seconds: read.every_seconds ?? USUAL_SECONDS,
        days: read.days ?? USUAL_DAYS,
      }),
    done: async (made) => {
      await client.invalidateQueries({ queryKey: [room, "instruments"] });
      tell({ name: made.name, token: made.token });
    },
  });
  const kind = useTyped(form, "kind");
  const options = (baths?.items ?? [])
    .filter((bath) => !bath.retired)
    .map((bath): [string, string] => [bath.id, bath.name]);
  return (
    <form
      noValidate
      onSubmit={form.submit}
      className="my-3 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4"
    >
      <div className="flex flex-wrap items-start gap-4">
        <TextField form={form} name="name" />
        <PickField form={form} name="kind" options={KINDS} />
        {kind === "bath-probe" ? (
          <PickField form={form} name="bath" options={[["", "say which"], ...options]} />
        ) : null}
        <NumberField form={form} name="every_seconds" />
        <NumberField form={form} name="days" />
      </div>
      <FormFoot form={form} submit="Make its token" />
    </form>
  );
}
