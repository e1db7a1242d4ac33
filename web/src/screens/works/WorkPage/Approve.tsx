import { useState } from "react";
import type { Sheet } from "../../../api/works";
import { useHere } from "../../../frame/useHere";
import type { Hands } from "../../../frame/works/useWorkHands";
import { TextField } from "../../../ui/form/Fields";
import { shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Segments } from "../../../ui/Segments";
import { SheetForm } from "./SheetForm";

const SHAPE = shapeOf("SheetApprovedEventIn", { "data.condition": text("Only if") });
const BY = [
  ["printer", "Printer"],
  ["artist", "Artist"],
] as const;
type Read = { data: { condition: string } };
type Props = { sheet: Sheet; hands: Hands; close: () => void };

/** A sheet becomes the standard: who says so, and on what condition. */
export function Approve({ sheet, hands, close }: Props) {
  const { room } = useHere();
  const [by, setBy] = useState<"printer" | "artist">("printer");
  const form = useForm<Read, void>(SHAPE, {
    keepAs: `${room} ok sheet ${sheet.event}`,
    start: { data: { condition: "" } },
    send: async ({ data }) => hands.approve(sheet, by, data.condition),
    done: close,
  });
  return (
    <SheetForm
      form={form}
      submit={`Sheet ${sheet.place} is OK`}
      look="strong"
      leave="Not yet"
      close={close}
    >
      <Segments label="Who says so" value={by} options={BY} onChange={setBy} />
      <TextField form={form} name="data.condition" hint="empty: as it is" />
    </SheetForm>
  );
}
