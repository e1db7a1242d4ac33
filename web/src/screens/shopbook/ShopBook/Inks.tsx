import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useFieldArray } from "react-hook-form";
import { askForSwatch, type Ink, inksQuery, keepInk } from "../../../api/editions";
import { sendPicture } from "../../../api/proofs";
import type { Shapes } from "../../../api/client";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useTask } from "../../../frame/useTask";
import { Asking } from "../../../ui/Asking";
import { Button, TakeOut } from "../../../ui/Button";
import { CellField, NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { FilePick } from "../../../ui/form/FilePick";
import { number, pick, shapeOf, temperature, text, yes } from "../../../ui/form/shape";
import { type Form, useForm } from "../../../ui/form/useForm";
import { Progress } from "../../../ui/Progress";
import { Beside } from "../../../ui/Section";
import { Table } from "../../../ui/Table";
import { Trouble } from "../../../ui/Trouble";
import { shownTemperature } from "../../../ui/units";
import { awayLook, Change, KeepFoot } from "./Keeping";

type InkIn = Shapes["InkIn"];
type Swatch = Shapes["ReadSwatchOutput"];
const SHAPE = shapeOf("InkIn", {
  name: text("Name"),
  "parts.*.name": text("Part #"),
  "parts.*.role": pick("Part # is"),
  "parts.*.parts": number("Part #, parts"),
  stiffness: pick("Stiffness"),
  warm_c: temperature("Worked at"),
  transparency: number("Light it lets through", { unit: "0 to 1" }),
  note: text("Note"),
  put_away: yes("Put away: not offered any more"),
});
const ROLES = [
  ["pigment", "pigment"],
  ["base", "base"],
  ["medium", "medium"],
  ["oil", "oil"],
  ["other", "other"],
] as const;
const STIFF = [
  ["soft", "soft"],
  ["middle", "middle"],
  ["stiff", "stiff"],
] as const;
const FRESH = {
  id: "",
  version: 0,
  name: "",
  note: "",
  put_away: false,
  parts: [],
  stiffness: "middle",
  warm_c: null,
  transparency: 0.02,
  swatch_lab: null,
} as unknown as InkIn;
type Read = Omit<InkIn, "id" | "version" | "swatch_lab">;

/** The inks: what each is mixed of, how it is worked, its colour as it was drawn down. */
export function Inks() {
  const { room } = useHere();
  const { data, error } = useQuery(inksQuery(room));
  const [draft, setDraft] = useState<InkIn>(FRESH);
  if (!data) return <Asking error={error} />;
  return (
    <Beside>
      <Table
        columns={[
          { head: "Ink" },
          { head: "Of" },
          { head: "Colour" },
          { head: "Change", hidden: true },
        ]}
      >
        {data.items.map((ink) => (
          <tr key={ink.id} className={awayLook(ink.put_away)}>
            <td>
              <b>{ink.name}</b>
              <span className="note block">{ink.stiffness}</span>
            </td>
            <td>{ink.parts.map((each) => `${each.parts} ${each.name}`).join(", ")}</td>
            <td>
              <Colour ink={ink} />
            </td>
            <Change name={ink.name} onClick={() => setDraft(ink)} />
          </tr>
        ))}
      </Table>
      <Edit key={`${draft.id} ${draft.version}`} ink={draft} done={() => setDraft({ ...FRESH })} />
    </Beside>
  );
}

/** A swatch as it was read off a scan, and the way to read one. */
function Colour({ ink }: { ink: Ink }) {
  const { room } = useHere();
  const { task, take, stop } = useTask<Swatch>({ about: ink.id, kind: "read-swatch" });
  const send = useMutation({
    mutationFn: async (file: File) => {
      const picture = await sendPicture(room, newId(), file);
      return askForSwatch(room, ink.id, { id: newId(), picture: picture.id });
    },
    onSuccess: take,
  });
  return (
    <span className="flex flex-wrap items-center gap-2">
      {ink.swatch_lab ? (
        <>
          <span
            aria-hidden="true"
            className="inline-block size-7 border border-ink"
            style={{ background: ink.swatch_hex }}
          />
          <span className="num">L* {ink.swatch_lab[0]}</span>
        </>
      ) : null}
      <FilePick
        label={`Scan of ${ink.name} drawn down`}
        look="row"
        disabled={send.isPending}
        onPick={(file) => send.mutate(file)}
      >
        {ink.swatch_lab ? "Read again" : "Read a scan"}
      </FilePick>
      {task ? (
        <Progress task={task} doing="Reading the colour" stop={() => stop.mutate(task.id)} />
      ) : null}
      <Trouble error={send.error} />
    </span>
  );
}

function Edit({ ink, done }: { ink: InkIn; done: () => void }) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const form = useForm<Read, Ink>(SHAPE, {
    keepAs: `${room} ink ${ink.version ? ink.id : "new"}`,
    id: ink.version ? ink.id : newId(),
    version: ink.version,
    start: {
      name: ink.name,
      note: ink.note ?? "",
      put_away: ink.put_away ?? false,
      stiffness: ink.stiffness ?? "middle",
      warm_c: ink.warm_c == null ? "" : shownTemperature(ink.warm_c, me),
      transparency: String(ink.transparency ?? 0.02),
      parts: (ink.parts ?? []).map((each) => ({ ...each, parts: String(each.parts) })),
    },
    send: (read, sent) => keepInk(room, { ...read, ...sent, swatch_lab: ink.swatch_lab ?? null }),
    done: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      done();
    },
  });
  return (
    <aside>
      <h2>{ink.version ? `Change ${ink.name}` : "A new ink"}</h2>
      <form noValidate onSubmit={form.submit} className="mt-2 grid gap-3">
        <TextField form={form} name="name" />
        <Parts form={form} />
        <PickField form={form} name="stiffness" options={STIFF} />
        <div className="flex flex-wrap gap-3">
          <NumberField form={form} name="warm_c" />
          <NumberField
            form={form}
            name="transparency"
            step={0.1}
            hint="Black 0.02, opaque colour 0.2, half extender 0.6."
          />
        </div>
        <TextField form={form} name="note" />
        <KeepFoot form={form} submit="Keep the ink" old={ink.version > 0} leave={done} />
      </form>
    </aside>
  );
}

/** What it is mixed of. */
function Parts({ form }: { form: Form }) {
  const rows = useFieldArray({ control: form.hook.control, name: "parts" });
  return (
    <div>
      <p className="mb-1 font-semibold">Mixed of</p>
      {rows.fields.length > 0 ? (
        <table>
          <tbody>
            {rows.fields.map((row, i) => (
              <tr key={row.id}>
                <CellField form={form} name={`parts.${i}.parts`} step={1} />
                <CellField form={form} name={`parts.${i}.name`} wide />
                <td className="min-w-26 py-0.5">
                  <PickField form={form} name={`parts.${i}.role`} options={ROLES} bare />
                </td>
                <td className="py-0.5">
                  <TakeOut what={`part ${i + 1}`} onClick={() => rows.remove(i)} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <Button look="quiet" onClick={() => rows.append({ name: "", role: "base", parts: "1" })}>
        Add a part
      </Button>
    </div>
  );
}
