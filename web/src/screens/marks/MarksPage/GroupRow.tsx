import type { Marks } from "../../../api/marks";
import { Button } from "../../../ui/Button";
import { NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { type Form, useTyped } from "../../../ui/form/useForm";

const WAYS = [
  ["hatching", "hatching"],
  ["texture", "texture"],
  ["line", "single lines"],
] as const;
const LAYERS = ["1", "2", "3", "4", "5", "6"].map((n) => [n, n] as const);
const PRESSURES = LAYERS.slice(0, 5);

type Props = { form: Form; at: number; marks: Marks; drop: () => void };

/** One group: its name, its tones, how it is drawn, where it stands on the print. */
export function GroupRow({ form, at, marks, drop }: Props) {
  const name = (column: string) => `groups.${at}.${column}`;
  const way = useTyped<string>(form, name("way"));
  const textures = marks.textures.map((each) => [each.key, each.label] as const);
  return (
    <fieldset className="grid gap-2.5 border-l-3 border-ink pl-4">
      <legend className="sr-only">Group {at + 1}</legend>
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <TextField form={form} name={name("name")} />
        <NumberField form={form} name={name("lstar")} label="Wanted L*" hint="empty: stays bare" />
        <PickField form={form} name={name("way")} options={WAYS} />
        {way === "texture" ? (
          <>
            <PickField form={form} name={name("texture")} options={[["", "choose"], ...textures]} />
            <NumberField form={form} name={name("times")} label="How often" />
          </>
        ) : (
          <>
            <PickField form={form} name={name("pressure")} options={PRESSURES} />
            {way === "hatching" ? (
              <PickField form={form} name={name("layers")} options={LAYERS} />
            ) : null}
          </>
        )}
        <NumberField form={form} name={name("now_lstar")} label="Read off a proof, L*" />
      </div>
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <NumberField form={form} name={name("x_mm")} label="From the left" />
        <NumberField form={form} name={name("y_mm")} label="From the top" />
        <NumberField form={form} name={name("width_mm")} label="Width" />
        <NumberField form={form} name={name("height_mm")} label="Height" />
        <Button look="quiet" className="mt-6" onClick={drop}>
          Take it out
        </Button>
      </div>
    </fieldset>
  );
}
