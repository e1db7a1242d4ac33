import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useFieldArray } from "react-hook-form";
import { keepPress, pressesQuery } from "../../../api/editions";
import type { Shapes } from "../../../api/client";
import { newId } from "../../../device/ids";
import { turnsOf } from "../../../figures/press/turns";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Button, TakeOut } from "../../../ui/Button";
import { CellField, NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { length, number, pick, shapeOf, text, yes } from "../../../ui/form/shape";
import { type Form, useForm } from "../../../ui/form/useForm";
import { Beside } from "../../../ui/Section";
import { Table } from "../../../ui/Table";
import { shownLength } from "../../../ui/units";
import { awayLook, Change, KeepFoot } from "./Keeping";

type Press = Shapes["PressIn"];
type Blanket = Press["blankets"][number];
const SHAPE = shapeOf("PressIn", {
  name: text("Name"),
  read_by: pick("Pressure is read by"),
  quarters: number("Usual setting", { unit: "quarters" }),
  passes: number("Passes"),
  bed_width_mm: length("Bed, across"),
  bed_length_mm: length("Bed, long"),
  speed: text("How fast"),
  "blankets.*.name": text("Blanket #"),
  "blankets.*.new_on": text("Blanket #, new on"),
  note: text("Note"),
  put_away: yes("Put away: not offered any more"),
});
const READ_BY = [
  ["turns", "turns from contact"],
  ["gauge", "a gauge"],
  ["gap", "the number of a gap"],
] as const;
const FRESH = {
  id: "",
  version: 0,
  name: "",
  note: "",
  put_away: false,
  read_by: "turns",
  quarters: 6,
  passes: 1,
  bed_width_mm: null,
  bed_length_mm: null,
  speed: "",
  blankets: [],
} satisfies Press;
type Read = Omit<Press, "id" | "version" | "blankets"> & { blankets: Blanket[] };

/** The presses: what their pressure is read by, their blankets in order and how old each is. */
export function Presses() {
  const { room } = useHere();
  const { data, error } = useQuery(pressesQuery(room));
  const [draft, setDraft] = useState<Press>(FRESH);
  if (!data) return <Asking error={error} />;
  return (
    <Beside>
      <Table
        columns={[
          { head: "Press" },
          { head: "Set at" },
          { head: "Blankets, from the plate up", desk: true },
          { head: "Change", hidden: true },
        ]}
      >
        {data.items.map((press) => (
          <tr key={press.id} className={awayLook(press.put_away)}>
            <td>
              <b>{press.name}</b>
              <span className="note block">{press.speed}</span>
            </td>
            <td>{press.set_text}</td>
            <td className="max-phone:hidden">
              {press.blankets
                .map((each) => (each.new_on ? `${each.name} (new ${each.new_on})` : each.name))
                .join(", ")}
            </td>
            <Change name={press.name} onClick={() => setDraft(press)} />
          </tr>
        ))}
      </Table>
      <Edit
        key={`${draft.id} ${draft.version}`}
        press={draft}
        done={() => setDraft({ ...FRESH })}
      />
    </Beside>
  );
}

function Edit({ press, done }: { press: Press; done: () => void }) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const bed = (mm: number | null | undefined) => (mm == null ? "" : shownLength(mm, me));
  const form = useForm<Read, unknown>(SHAPE, {
    keepAs: `${room} press ${press.version ? press.id : "new"}`,
    id: press.version ? press.id : newId(),
    version: press.version,
    start: {
      ...press,
      quarters: String(press.quarters),
      passes: String(press.passes),
      bed_width_mm: bed(press.bed_width_mm),
      bed_length_mm: bed(press.bed_length_mm),
      blankets: press.blankets.map((each) => ({ name: each.name, new_on: each.new_on ?? "" })),
    },
    send: (read, sent) =>
      keepPress(room, {
        ...read,
        ...sent,
        blankets: read.blankets.map((each, i) => ({
          ...press.blankets[i],
          name: each.name,
          new_on: each.new_on || null,
        })),
      }),
    done: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      done();
    },
  });
  const now = form.hook.watch();
  const typed = Number(now.quarters);
  const turns = now.read_by === "turns" && Number.isInteger(typed);
  return (
    <aside>
      <h2>{press.version ? `Change ${press.name}` : "A new press"}</h2>
      <form noValidate onSubmit={form.submit} className="mt-2 grid gap-3">
        <TextField form={form} name="name" />
        <PickField form={form} name="read_by" options={READ_BY} />
        <div className="flex flex-wrap gap-3">
          <NumberField
            form={form}
            name="quarters"
            hint={turns ? `${turnsOf(typed)} turns` : undefined}
          />
          <NumberField form={form} name="passes" />
          <NumberField form={form} name="bed_width_mm" step={10} />
          <NumberField form={form} name="bed_length_mm" step={10} />
        </div>
        <TextField form={form} name="speed" />
        <Blankets form={form} />
        <TextField form={form} name="note" />
        <KeepFoot form={form} submit="Keep the press" old={press.version > 0} leave={done} />
      </form>
    </aside>
  );
}

/** From the plate up, each with the day it was new. */
function Blankets({ form }: { form: Form }) {
  const rows = useFieldArray({ control: form.hook.control, name: "blankets" });
  return (
    <div>
      <p className="mb-1 font-semibold">Blankets, from the plate up</p>
      {rows.fields.length > 0 ? (
        <table>
          <tbody>
            {rows.fields.map((row, i) => (
              <tr key={row.id}>
                <CellField form={form} name={`blankets.${i}.name`} wide />
                <CellField
                  form={form}
                  name={`blankets.${i}.new_on`}
                  wide
                  placeholder="2026-01-31"
                />
                <td className="py-0.5">
                  <TakeOut what={`blanket ${i + 1}`} onClick={() => rows.remove(i)} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <Button look="quiet" onClick={() => rows.append({ name: "", new_on: "" })}>
        Add a blanket
      </Button>
    </div>
  );
}
