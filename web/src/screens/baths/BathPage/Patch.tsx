import { useQuery } from "@tanstack/react-query";
import { type Bath, type BathPage, biteCheckPatch } from "../../../api/baths";
import type { Shapes } from "../../../api/client";
import { everyStripQuery } from "../../../api/strips";
import { FromInstrument } from "../../../frame/FromInstrument";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, temperature, time } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm } from "../../../ui/form/useForm";
import { useSaved } from "./useSaved";

const SHAPE = shapeOf("CheckPatchIn", {
  strip: pick("Ground of strip"),
  seconds: time("In the bath for, in all"),
  dips: number("In so many dips", { optional: true }),
  lstar: number("It reads, L*", { unit: "L*" }),
  spread: number("Read to, ±", { unit: "L*" }),
  temperature_c: temperature("Bath was"),
});
type Read = Omit<Shapes["CheckPatchIn"], "id" | "kind" | "dips"> & { dips: number | null };

type Props = { page: BathPage; done: () => void };

/** One patch of a strip's ground, bitten today, printed and read: is the bath as fast as then? */
export function Patch({ page, done }: Props) {
  const { room } = useHere();
  const { data } = useQuery(everyStripQuery(room));
  const strips = (data?.items ?? []).filter((strip) => strip.metal === page.bath.metal);
  if (!data) return null;
  return strips.length > 0 ? (
    <PatchForm page={page} strips={strips.map((strip) => [strip.id, strip.name])} done={done} />
  ) : (
    <div className="mt-2 grid justify-items-start gap-2">
      <p>
        There is no strip on {page.bath.metal} to read a patch off. Bite a test strip in this bath.
      </p>
      <ButtonLink to={`/r/${room}/strips/bite?bath=${page.bath.id}`}>Bite a test strip</ButtonLink>
    </div>
  );
}

function PatchForm({ page, strips, done }: Props & { strips: [string, string][] }) {
  const { room } = useHere();
  const saved = useSaved();
  const { bath } = page;
  const form = useForm<Read, Bath>(SHAPE, {
    keepAs: `${room} patch ${bath.id}`,
    start: {
      strip: page.strip ?? strips[0]?.[0] ?? "",
      seconds: "2:00",
      dips: "1",
      lstar: "",
      spread: "",
      temperature_c: "",
    },
    send: (read, { id }) =>
      biteCheckPatch(room, bath.id, { id, kind: "check-patch", ...read, dips: read.dips ?? 1 }),
    done: (next) => {
      done();
      return saved(next, "The patch counts. Plans in this bath follow.");
    },
  });
  return (
    <form ref={useFirstField()} noValidate onSubmit={form.submit}>
      <p className="note mt-1">
        A scrap with the strip's ground: bite it for the time, strip, print and read it as you read
        the strip. About 8 minutes.
      </p>
      <div className="mt-2.5 flex flex-wrap items-start gap-4">
        <PickField form={form} name="strip" options={strips} />
        <NumberField form={form} name="seconds" step={10} />
        <NumberField form={form} name="dips" />
        <NumberField
          form={form}
          name="lstar"
          hint={<FromInstrument form={form} name="lstar" kind="lstar" />}
        />
        <NumberField form={form} name="spread" step={0.1} hint="0.9 where empty." />
        <NumberField
          form={form}
          name="temperature_c"
          step={0.5}
          hint="As it stands, where empty."
        />
      </div>
      <FormFoot form={form} submit="Log the patch" />
    </form>
  );
}
