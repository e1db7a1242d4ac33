import { useState } from "react";
import type { Layer, Sheet } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import type { Damp, Hands } from "../../../frame/works/useWorkHands";
import { Button } from "../../../ui/Button";
import { NumberField } from "../../../ui/form/Fields";
import { length, type Shape } from "../../../ui/form/shape";
import { type Form, useForm, useTyped } from "../../../ui/form/useForm";
import { Segments } from "../../../ui/Segments";
import { shownLength } from "../../../ui/units";
import { SheetForm } from "./SheetForm";

const DAMPS: readonly (readonly [Damp, string])[] = [
  ["same", "As damp as it was"],
  ["redamped", "Damped again"],
  ["dry", "Dry"],
];
const SIDE = { low: 10, high: 3000, unit: "mm" };
const ACROSS = "sheet_mm.0";
const DOWN = "sheet_mm.1";
const shape = (needed: boolean): Shape => ({
  fields: {
    [ACROSS]: { ...length("Sheet across"), ...SIDE, needed },
    [DOWN]: { ...length("Sheet down"), ...SIDE, needed },
  },
});
const SHAPES = { none: shape(false), both: shape(true) };
type Read = { sheet_mm: [number | null, number | null] };
type Props = { sheet: Sheet; layer: Layer; hands: Hands; close: () => void };

/** The next layer of a sheet, with how damp it is and what it measures: paper grows between colours. */
export function PrintNext({ sheet, layer, hands, close }: Props) {
  const [damp, setDamp] = useState<Damp>("same");
  const { form, typed } = useSides(sheet, layer, close, (size) =>
    hands.print(layer, sheet, damp, size),
  );
  const measure = () => {
    const read = form.peek<Read>(form.hook.getValues());
    if (!read) return form.submit();
    return form.act(async () => {
      hands.measure(sheet, read.sheet_mm as [number, number]);
      close();
    });
  };
  const before = sheet.sheet_mm;
  const was = (side: 0 | 1) =>
    before ? `${shownLength(before[side], form.units)} before` : undefined;
  return (
    <SheetForm
      form={form}
      submit={`${layer.name} is printed`}
      close={close}
      also={
        <Button look="quiet" disabled={!typed} onClick={measure}>
          Only measured
        </Button>
      }
    >
      <Segments label="How damp is it" value={damp} options={DAMPS} onChange={setDamp} />
      <NumberField form={form} name={ACROSS} hint={was(0)} />
      <NumberField form={form} name={DOWN} hint={was(1)} />
      <p className="note basis-full">
        {damp === "same"
          ? "Measured, or left empty."
          : "Paper damped again, or dried, is no longer the size it was: measure it first."}
      </p>
    </SheetForm>
  );
}

/** Both sides of a sheet or none: half a size is asked for at its field. */
function useSides(
  sheet: Sheet,
  layer: Layer,
  close: () => void,
  print: (size: [number, number] | null) => void,
): { form: Form; typed: boolean } {
  const { room } = useHere();
  const [typed, setTyped] = useState(false);
  const form = useForm<Read, void>(typed ? SHAPES.both : SHAPES.none, {
    keepAs: `${room} print ${layer.id} ${sheet.event}`,
    start: { sheet_mm: ["", ""] },
    send: async ({ sheet_mm }) =>
      print(sheet_mm[0] === null ? null : (sheet_mm as [number, number])),
    done: close,
  });
  const some = [useTyped(form, ACROSS), useTyped(form, DOWN)].some((each) => each?.trim());
  if (some !== typed) setTyped(some);
  return { form, typed };
}
