import { type Bath, readBath } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, temperature } from "../../../ui/form/shape";
import { useForm, useShape, useTyped } from "../../../ui/form/useForm";
import { Section } from "../../../ui/Section";
import { useSaved } from "./useSaved";

const shapeFor = (metal: string) => () =>
  shapeOf("ReadingIn", {
    temperature_c: temperature("Temperature"),
    load_g_per_l: number(`Dissolved ${metal}`),
  });
const EMPTY = { temperature_c: "", load_g_per_l: "" };
type Read = { temperature_c: number | null; load_g_per_l: number | null };

/** Log what thermometer or test says. */
export function ReadIt({ bath }: { bath: Bath }) {
  const { room } = useHere();
  const saved = useSaved();
  const shape = useShape(shapeFor(bath.metal), bath.metal);
  const form = useForm<Read, Bath>(shape, {
    keepAs: `${room} reading ${bath.id}`,
    start: EMPTY,
    send: (read, { id }) => readBath(room, bath.id, { id, ...read, note: "" }),
    done: (next) => {
      form.startAfresh();
      return saved(next, "Logged. Plans in this bath follow.");
    },
  });
  const typed = [useTyped(form, "temperature_c"), useTyped(form, "load_g_per_l")];
  return (
    <Section>
      <h2>Read it</h2>
      <form noValidate onSubmit={form.submit}>
        <div className="mt-2.5 flex flex-wrap items-start gap-4">
          <NumberField form={form} name="temperature_c" step={0.5} />
          <NumberField form={form} name="load_g_per_l" />
          <FormFoot
            form={form}
            submit="Log the reading"
            disabled={typed.every((each) => each.trim() === "")}
            beside
          />
        </div>
      </form>
    </Section>
  );
}
