import { useQueryClient } from "@tanstack/react-query";
import { changeStrip, type Strip, stripQuery } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, rowShapeOf, time } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm } from "../../../ui/form/useForm";
import { typedNumber } from "../../../ui/numbers";
import { clock } from "../../../ui/times";
import { useSay } from "../../../ui/Toast";

const SHAPE = rowShapeOf("StripChange", "patches", {
  seconds: time("In the bath in all", { needed: true }),
  lstar: number("Read, L*", { needed: true }),
});
type Patch = { seconds: number; lstar: number };
type Props = { strip: Strip; place: number; close: () => void };

const typedOf = (strip: Strip, place: number) => {
  const patch = strip.readings[place];
  return { seconds: clock(patch?.seconds ?? 0), lstar: typedNumber(patch?.lstar ?? 0) };
};

/** Type a patch anew; what stood before is in the record, and the curve is fitted again. */
export function Retype({ strip, place, close }: Props) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const form = useForm<Patch, Strip>(SHAPE, {
    keepAs: `${room} patch ${strip.id} ${place}`,
    start: typedOf(strip, place),
    version: strip.version,
    aliases: { [`patches.${place}.seconds`]: "seconds", [`patches.${place}.lstar`]: "lstar" },
    send: (read, { version }) =>
      changeStrip(room, strip.id, { version, patches: withPatch(strip, place, read) }),
    theirs: async () => {
      const now = await client.fetchQuery({ ...stripQuery(room, strip.id), staleTime: 0 });
      return { version: now.version, values: typedOf(now, place) };
    },
    done: async () => {
      close();
      await client.invalidateQueries({ queryKey: [room] });
      say({
        text: `Patch ${place + 1} is typed anew. Fitted again; the old stands in the record.`,
      });
    },
  });
  return (
    <form
      ref={useFirstField()}
      noValidate
      onSubmit={form.submit}
      onKeyDown={(event) => event.key === "Escape" && close()}
      className="mt-2.5 border-l-4 border-ink pl-3"
    >
      <h3>Patch {place + 1}</h3>
      <div className="mt-1.5 grid grid-cols-2 items-start gap-3">
        <NumberField form={form} name="seconds" />
        <NumberField form={form} name="lstar" step={0.5} />
      </div>
      <FormFoot form={form} submit="Keep it" look="plain">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );
}

/** All patches with one typed anew: typed over, it is as sure as an eye. A time left as it stood stays. */
function withPatch(strip: Strip, place: number, read: Patch) {
  return strip.readings.map((patch, i) => {
    if (i !== place) return patch;
    const same = clock(read.seconds) === clock(patch.seconds);
    const seconds = same ? patch.seconds : read.seconds;
    return { ...patch, seconds, lstar: read.lstar, spread: spreadOf(patch, read) };
  });
}

const spreadOf = (patch: Strip["readings"][number], read: Patch) =>
  patch.lstar === read.lstar ? patch.spread : null;
