import { useState } from "react";
import { useFieldArray } from "react-hook-form";
import { cutSheet } from "../../../api/calc";
import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { Button, TakeOut } from "../../../ui/Button";
import { CellField, NumberField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, shapeOf, text } from "../../../ui/form/shape";
import { shownIn } from "../../../ui/form/units";
import { type Form, useForm } from "../../../ui/form/useForm";
import { Beside, Empty } from "../../../ui/Section";
import { Table } from "../../../ui/Table";
import type { Units } from "../../../ui/units";
import type { Layout } from "./CutDrawing";
import { CutLayout } from "./CutLayout";

type Input = Shapes["CutSheetInput"];

const SHAPE = shapeOf("CutSheetInput", {
  sheet_width_mm: length("Sheet, wide"),
  sheet_height_mm: length("high"),
  allowance_mm: length("Saw takes"),
  "pieces.*.name": text("Name of plate #"),
  "pieces.*.width_mm": length("Plate #, wide"),
  "pieces.*.height_mm": length("Plate #, high"),
  "pieces.*.count": number("Plate #, how many", { needed: true }),
});

/** A first sheet in the user's units. */
function firstSheet(units: Units) {
  const mm = (value: number) => shownIn({ kind: "length", label: "" }, value, units);
  const piece = (name: string, width: number, height: number, count: string) => ({
    name,
    width_mm: mm(width),
    height_mm: mm(height),
    count,
  });
  return {
    sheet_width_mm: mm(600),
    sheet_height_mm: mm(500),
    allowance_mm: "0",
    pieces: [piece("Lantern", 200, 150, "3"), piece("Small square", 100, 100, "4")],
  };
}

/** Cut plates out of a sheet: layout, cuts in order, waste and how much less is possible. */
export function CutSheet() {
  const { room, me } = useHere();
  const [laid, setLaid] = useState<{ sheet: Input; layout: Layout } | null>(null);
  const form = useForm<Input, void>(SHAPE, {
    keepAs: `${room} cut`,
    start: firstSheet(me),
    send: async (read) => {
      const pieces = read.pieces.map((piece) => ({ ...piece, may_turn: true }));
      const sheet = { ...read, allowance_mm: read.allowance_mm ?? 0, pieces };
      setLaid({ sheet, layout: (await cutSheet(sheet)) as Layout });
    },
  });
  return (
    <Beside>
      <div>
        {laid ? (
          <CutLayout {...laid} />
        ) : (
          <Empty title="No layout yet">
            <p>Say the sheet and the plates; the cuts go from edge to edge. A moment.</p>
          </Empty>
        )}
      </div>
      <form noValidate onSubmit={form.submit} className="print:hidden">
        <div className="flex flex-wrap gap-3">
          <NumberField form={form} name="sheet_width_mm" step={10} />
          <NumberField form={form} name="sheet_height_mm" step={10} />
          <NumberField form={form} name="allowance_mm" step={0.5} hint="A shear takes nothing." />
        </div>
        <Pieces form={form} />
        <FormFoot form={form} submit="Lay it out">
          {laid ? <Button onClick={() => window.print()}>Print the cut list</Button> : null}
        </FormFoot>
      </form>
    </Beside>
  );
}

function Pieces({ form }: { form: Form }) {
  const { me } = useHere();
  const rows = useFieldArray({ control: form.hook.control, name: "pieces" });
  const unit = me.length_unit;
  const another = () => {
    const { pieces } = firstSheet(me);
    rows.append({ ...pieces[1], name: `Plate ${rows.fields.length + 1}`, count: "1" });
  };
  return (
    <div className="mt-3">
      <Table
        columns={[
          { head: "Plate" },
          { head: `Wide ${unit}` },
          { head: `High ${unit}` },
          { head: "How many" },
          { head: "Remove", hidden: true },
        ]}
      >
        {rows.fields.map((row, i) => (
          <tr key={row.id} className="[&>td]:align-middle">
            <CellField form={form} name={`pieces.${i}.name`} wide />
            <CellField form={form} name={`pieces.${i}.width_mm`} step={5} />
            <CellField form={form} name={`pieces.${i}.height_mm`} step={5} />
            <CellField form={form} name={`pieces.${i}.count`} step={1} />
            <td>
              <TakeOut what={`plate ${i + 1}`} onClick={() => rows.remove(i)} />
            </td>
          </tr>
        ))}
      </Table>
      <Button look="quiet" onClick={another}>
        Add a plate
      </Button>
    </div>
  );
}
