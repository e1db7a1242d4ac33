import { type Bath, readBath, readHydrometer } from "../../../api/baths";
import { FromInstrument } from "../../../frame/FromInstrument";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, temperature } from "../../../ui/form/shape";
import { useForm, useShape, useTyped } from "../../../ui/form/useForm";
import { parseNumber } from "../../../ui/numbers";
import { readTemperature, temperatureUnit } from "../../../ui/units";
import { useState } from "react";
import { useSaved } from "./useSaved";

const shapeFor = (metal: string) => () =>
  shapeOf("ReadingIn", {
    temperature_c: temperature("Temperature"),
    load_g_per_l: number(`Dissolved ${metal}`),
  });
const STEM = shapeOf("HydrometerIn", { baume: number("Hydrometer") });
const EMPTY = { temperature_c: "", load_g_per_l: "" };
/** Typed within this it is taken; beyond it is asked back. */
const [SURELY_LOW_C, SURELY_HIGH_C] = [5, 40];
type Read = { temperature_c: number | null; load_g_per_l: number | null };
type Props = { bath: Bath; done: () => void };

/** Log what thermometer, test or hydrometer says. */
export function ReadIt({ bath, done }: Props) {
  const { room, me } = useHere();
  const saved = useSaved();
  const [sure, setSure] = useState("");
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
  const warm = parseNumber(typed[0] ?? "");
  const celsius = warm === undefined || Number.isNaN(warm) ? null : readTemperature(warm, me);
  const odd = celsius !== null && (celsius < SURELY_LOW_C || celsius > SURELY_HIGH_C);
  const askBack = odd && sure !== typed[0];
  return (
    <>
      <form noValidate onSubmit={form.submit}>
        <div className="mt-2.5 flex flex-wrap items-start gap-4">
          <NumberField form={form} name="temperature_c" step={0.5} />
          <NumberField form={form} name="load_g_per_l" />
          <FormFoot
            form={form}
            submit="Log the reading"
            disabled={askBack || typed.every((each) => each.trim() === "")}
            beside
          />
        </div>
      </form>
      {askBack ? (
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <Care role="alert">
            {typed[0]} {temperatureUnit(me)} is odd for a bath. Is that so?
          </Care>
          <Button onClick={() => setSure(typed[0] ?? "")}>Yes, I read it twice</Button>
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
