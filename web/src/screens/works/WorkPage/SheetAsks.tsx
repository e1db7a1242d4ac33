import { useState } from "react";
import type { Sheet, SheetRow, Work, WorkState } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import { isByHand, leftOn } from "../../../frame/works/todo";
import type { Hands } from "../../../frame/works/useWorkHands";
import { NumberField, TextField } from "../../../ui/form/Fields";
import { number, type Shape, shapeOf, text } from "../../../ui/form/shape";
import { useForm, useShape } from "../../../ui/form/useForm";
import { Segments } from "../../../ui/Segments";
import { SheetForm } from "./SheetForm";

type Asked = { sheet: Sheet; hands: Hands; close: () => void };

const LSTAR: Shape = {
  fields: {
    lstar: { ...number("Lightness of the whole"), low: 0, high: 105, unit: "L*", needed: true },
  },
};

/** How light a pull is, read as one: what the next ghosts are told by. */
export function Tone({ sheet, hands, close }: Asked) {
  const { room } = useHere();
  const form = useForm<{ lstar: number }, void>(LSTAR, {
    keepAs: `${room} tone ${sheet.event}`,
    start: { lstar: "" },
    send: async ({ lstar }) => hands.read(sheet, lstar),
    done: close,
  });
  return (
    <SheetForm form={form} submit="Keep it" close={close}>
      <NumberField form={form} name="lstar" hint="L* 100 is the bare paper" />
    </SheetForm>
  );
}

const WHY = shapeOf("SpoiledEventIn", {
  "data.reason": text("Why it is spoiled", { needed: true }),
});
type Why = { data: { reason: string } };

/** Why: what is printed stays told, and a number once given stands void. */
export function SpoilSheet({ sheet, hands, close }: Asked) {
  const { room } = useHere();
  const form = useForm<Why, void>(WHY, {
    keepAs: `${room} spoiled ${sheet.event}`,
    start: { data: { reason: "" } },
    send: async ({ data }) => hands.spoil(sheet, data.reason),
    done: close,
  });
  return (
    <SheetForm form={form} submit={sheet.signed ? "It is void" : "It is spoiled"} close={close}>
      <TextField
        form={form}
        name="data.reason"
        hint={sheet.signed ? "Its number stays taken." : undefined}
      />
    </SheetForm>
  );
}

type Series = NonNullable<Sheet["series"]>;
const AS: readonly (readonly [Series, string])[] = [
  ["edition", "Edition"],
  ["artist", "Artist's"],
  ["printer", "Printer's"],
  ["trial", "Trial"],
];

type Sign = Asked & { row: SheetRow | null; work: Work; state: WorkState };

/** Sign a sheet; what is otherwise than the one that is OK needs a reason. */
export function SignSheet({ sheet, row, work, state, hands, close }: Sign) {
  const { room } = useHere();
  const [series, setSeries] = useState<Series>("edition");
  const wants = reasonFor(sheet, row, work, state, series);
  const shape = useShape(
    () => shapeOf("SignedOffEventIn", { "data.reason": text(wants, { needed: wants !== "" }) }),
    wants,
  );
  const form = useForm<Why, void>(shape, {
    keepAs: `${room} sign ${sheet.event}`,
    start: { data: { reason: "" } },
    send: async ({ data }) => hands.sign(sheet, series, wants ? data.reason : ""),
    done: close,
  });
  return (
    <SheetForm form={form} submit="Sign it" close={close}>
      <Segments label="Signed as" value={series} options={AS} onChange={setSeries} />
      {wants ? <TextField form={form} name="data.reason" /> : null}
      <p className="note basis-full">Its number comes from the print room, and stays.</p>
    </SheetForm>
  );
}

function reasonFor(
  sheet: Sheet,
  row: SheetRow | null,
  work: Work,
  state: WorkState,
  series: Series,
): string {
  if (series === "trial" || work.layers_out.some(isByHand)) return "";
  if (state.approved === null) return "Nothing is OK yet: why is it signed";
  if ((row?.differs.length ?? 0) > 0) return "It differs from the one that is OK: why";
  return leftOn(work, sheet).length > 0 ? "It has not every layer: why" : "";
}
