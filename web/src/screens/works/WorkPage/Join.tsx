import { useState } from "react";
import type { WorkState } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import type { Hands } from "../../../frame/works/useWorkHands";
import { Button } from "../../../ui/Button";
import { TextField, TickField } from "../../../ui/form/Fields";
import { type Shape, shapeOf, text, yes } from "../../../ui/form/shape";
import { useForm, useShape } from "../../../ui/form/useForm";
import { SheetForm } from "./SheetForm";

type Props = { state: WorkState; hands: Hands };

/** Keep sheets together by hand: those of one inking are so by themselves. */
export function Join(props: Props) {
  const [open, setOpen] = useState(false);
  return (
    <div className="mt-3">
      {open ? (
        <Together {...props} close={() => setOpen(false)} />
      ) : (
        <Button look="quiet" onClick={() => setOpen(true)}>
          Keep sheets together
        </Button>
      )}
    </div>
  );
}

const NAME = shapeOf("SheetsJoinedEventIn", { "data.name": text("Called") });
type Read = { data: { name: string }; with: Record<string, boolean> };

function Together({ state, hands, close }: Props & { close: () => void }) {
  const { room } = useHere();
  const { sheets } = state;
  const shape = useShape(
    (): Shape => ({
      fields: {
        ...NAME.fields,
        ...Object.fromEntries(
          sheets.map((each) => [`with.${each.event}`, { ...yes(`sheet ${each.place}`) }]),
        ),
      },
    }),
    sheets.map((each) => each.event).join(),
  );
  const form = useForm<Read, void>(shape, {
    keepAs: `${room} together ${sheets[0]?.event}`,
    start: {
      data: { name: "" },
      with: Object.fromEntries(sheets.map((each) => [each.event, false])),
    },
    send: async ({ data, with: ticked }) => hands.join(chosenOf(ticked), data.name),
    done: close,
  });
  const ticked = form.hook.watch("with") as Read["with"];
  return (
    <SheetForm
      form={form}
      submit="Keep them together"
      disabled={chosenOf(ticked).length === 0}
      close={close}
    >
      <fieldset className="flex flex-wrap gap-x-4">
        <legend className="font-semibold">Which belong together</legend>
        {sheets.map((each) => (
          <TickField key={each.event} form={form} name={`with.${each.event}`} />
        ))}
      </fieldset>
      <TextField form={form} name="data.name" />
    </SheetForm>
  );
}

const chosenOf = (ticked: Read["with"]): string[] =>
  Object.entries(ticked)
    .filter(([, on]) => on)
    .map(([sheet]) => sheet);
