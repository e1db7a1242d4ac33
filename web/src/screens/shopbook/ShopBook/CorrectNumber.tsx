import { useQueryClient } from "@tanstack/react-query";
import type { Shapes } from "../../../api/client";
import { correctNumber, type NumberCell } from "../../../api/shopbook";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, shapeOf, text } from "../../../ui/form/shape";
import { typedAt, useForm, useShape } from "../../../ui/form/useForm";
import { typedNumber } from "../../../ui/numbers";
import { Section } from "../../../ui/Section";

type OwnNumber = Shapes["OwnNumberIn"];
type Read = Pick<OwnNumber, "value" | "reason">;
type Props = { cell: NumberCell; word: string; close: () => void };

const STEP = 0.1;

/** A number of the room's own in place of the table's, or back to the table's. */
export function CorrectNumber({ cell, word, close }: Props) {
  const { room } = useHere();
  const client = useQueryClient();
  const shape = useShape(
    () =>
      shapeOf("OwnNumberIn", {
        value: number("Measured here", { unit: cell.unit, needed: true }),
        reason: text("From what"),
      }),
    cell.column,
  );
  const send = (read: Read, id: string) =>
    correctNumber(room, {
      id,
      mordant: cell.mordant as OwnNumber["mordant"],
      column: cell.column as OwnNumber["column"],
      ...read,
    });
  const done = async () => {
    await client.invalidateQueries({ queryKey: [room] });
    close();
  };
  const form = useForm<Read, unknown>(shape, {
    keepAs: `${room} number ${cell.mordant} ${cell.column}`,
    start: { value: typedNumber(cell.value), reason: "" },
    send: (read, { id }) => send(read, id),
    done,
  });
  const back = () => {
    const reason = String(typedAt(form, "reason")).trim() || "Back to the table.";
    return form.act(() => send({ value: null, reason }, newId()).then(done));
  };
  return (
    <Section>
      <h3>{word}</h3>
      <form noValidate onSubmit={form.submit}>
        <div className="my-2 flex flex-wrap items-start gap-3">
          <NumberField form={form} name="value" step={STEP} />
          <div className="min-w-55 flex-1">
            <TextField form={form} name="reason" />
          </div>
        </div>
        <FormFoot form={form} submit="Use this number">
          {cell.own ? <Button onClick={back}>Back to the table's</Button> : null}
          <Button look="quiet" onClick={close}>
            Close
          </Button>
        </FormFoot>
      </form>
    </Section>
  );
}
