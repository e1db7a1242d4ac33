import { type Bath, readBath, readHydrometer } from "../../../api/baths";
import { FromInstrument } from "../../../frame/FromInstrument";
import { useHere } from "../../../frame/useHere";
import { useOddBath } from "../../../frame/useOddBath";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, temperature } from "../../../ui/form/shape";
import { useFirstField } from "../../../ui/form/useFirstField";
import { useForm, useShape, useTyped } from "../../../ui/form/useForm";
import { useSaved } from "./useSaved";

const shapeFor = (metal: string) => () =>
  shapeOf("ReadingIn", {
    temperature_c: temperature("Temperature"),
    load_g_per_l: number(`Dissolved ${metal}`),
  });
const STEM = shapeOf("HydrometerIn", { baume: number("Hydrometer") });
const EMPTY = { temperature_c: "", load_g_per_l: "" };
type Read = { temperature_c: number | null; load_g_per_l: number | null };
type Props = { bath: Bath; done: () => void };

/** Log what thermometer, test or hydrometer says. */
export function ReadIt({ bath, done }: Props) {
  const { room } = useHere();
  const saved = useSaved();
  const shape = useShape(shapeFor(bath.metal), bath.metal);
  const form = useForm<Read, Bath>(shape, {
    keepAs: `${room} reading ${bath.id}`,
    start: EMPTY,
    send: (read, { id }) => readBath(room, bath.id, { id, ...read, note: "" }),
    done: (next) => {
      done();
      return saved(next, "Logged. Plans in this bath follow.");
    },
  });
  const typed = [useTyped(form, "temperature_c"), useTyped(form, "load_g_per_l")];
  const odd = useOddBath(form, "temperature_c");
  return (
    <>
      <form ref={useFirstField()} noValidate onSubmit={form.submit}>
        <div className="mt-2.5 flex flex-wrap items-start gap-4">
          <NumberField form={form} name="temperature_c" step={0.5} />
          <NumberField form={form} name="load_g_per_l" />
          <FormFoot
            form={form}
            submit="Log the reading"
            disabled={odd !== null || typed.every((each) => each.trim() === "")}
            beside
          />
        </div>
      </form>
      {odd ? (
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <Care role="alert">{odd.asked}</Care>
          <Button onClick={odd.sure}>Yes, I read it twice</Button>
        </div>
      ) : null}
      {bath.mordant.includes("ferric") ? <Stem bath={bath} done={done} /> : null}
    </>
  );
}

/** What the hydrometer reads; the copper in it is taken off before it counts. */
function Stem({ bath, done }: Props) {
  const { room } = useHere();
  const saved = useSaved();
  const form = useForm<{ baume: number }, Bath>(STEM, {
    keepAs: `${room} stem ${bath.id}`,
    start: { baume: "" },
    send: (read, { id }) => readHydrometer(room, bath.id, { id, kind: "hydrometer", ...read }),
    done: (next) => {
      done();
      return saved(next, "The hydrometer counts. Plans in this bath follow.");
    },
  });
  return (
    <form noValidate onSubmit={form.submit} className="mt-2 flex flex-wrap items-start gap-4">
      <NumberField
        form={form}
        name="baume"
        step={0.5}
        hint={
          <>
            As read; 0.07 °Bé a g/L of copper is taken off.{" "}
            <FromInstrument form={form} name="baume" kind="baume" bath={bath.id} />
          </>
        }
      />
      <FormFoot form={form} submit="Log the hydrometer" look="plain" beside />
    </form>
  );
}
