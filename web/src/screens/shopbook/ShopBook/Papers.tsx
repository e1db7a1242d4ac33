import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepPaper, type PaperKind, papersQuery } from "../../../api/editions";
import type { Shapes } from "../../../api/client";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { length, number, pick, shapeOf, text, yes } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { typedNumber } from "../../../ui/numbers";
import { Beside } from "../../../ui/Section";
import { Digits, Table } from "../../../ui/Table";
import { clock } from "../../../ui/times";
import { shownLength } from "../../../ui/units";
import { awayLook, Change, KeepFoot } from "./Keeping";

type Paper = Shapes["PaperKindIn"];
const SHAPE = shapeOf("PaperKindIn", {
  name: text("Name"),
  width_mm: length("Sheet, across"),
  height_mm: length("Sheet, down"),
  g_per_m2: number("Weight"),
  school: pick("Damped"),
  ready_minutes: number("Ready after"),
  latest_minutes: number("Out by"),
  better_side: pick("Better side"),
  sheets: number("In the drawer"),
  note: text("Note"),
  put_away: yes("Put away: not offered any more"),
});
const SCHOOLS = [
  ["soft-soak", "soaked, soft sized"],
  ["hard-soak", "soaked, hard sized"],
  ["sponge-bag", "sponged, in a bag"],
  ["pack", "damp pack overnight"],
  ["tap", "under the tap"],
] as const;
const SIDES = [
  ["felt", "felt side"],
  ["wire", "wire side"],
  ["either", "either"],
] as const;
const FRESH = {
  id: "",
  version: 0,
  name: "",
  note: "",
  put_away: false,
  width_mm: 560,
  height_mm: 760,
  g_per_m2: 280,
  school: "soft-soak",
  ready_minutes: null,
  latest_minutes: null,
  better_side: "felt",
  sheets: 0,
} satisfies Paper;
type Read = Omit<Paper, "id" | "version">;

/** The papers: their sheets, how each is damped, how many are in the drawer. */
export function Papers() {
  const { room, me } = useHere();
  const { data, error } = useQuery(papersQuery(room));
  const [draft, setDraft] = useState<Paper>(FRESH);
  if (!data) return <Asking error={error} />;
  return (
    <Beside>
      <Table
        columns={[
          { head: "Paper" },
          { head: "Sheet", right: true },
          { head: "In the damp", desk: true },
          { head: "Sheets", right: true },
          { head: "Change", hidden: true },
        ]}
      >
        {data.items.map((each) => (
          <tr key={each.id} className={awayLook(each.put_away)}>
            <td>
              <b>{each.name}</b>
            </td>
            <Digits>
              {shownLength(each.width_mm, me)} × {shownLength(each.height_mm, me)} {me.length_unit}
            </Digits>
            <td className="max-phone:hidden">{windowOf(each)}</td>
            <Digits>{each.sheets}</Digits>
            <Change name={each.name} onClick={() => setDraft(each)} />
          </tr>
        ))}
      </Table>
      <Edit
        key={`${draft.id} ${draft.version}`}
        paper={draft}
        done={() => setDraft({ ...FRESH })}
      />
    </Beside>
  );
}

const windowOf = ({ damping }: PaperKind) =>
  `${damping.label}: ready ${clock(damping.ready_seconds)}, out by ${clock(damping.latest_seconds)}`;

function Edit({ paper, done }: { paper: Paper; done: () => void }) {
  const { room, me } = useHere();
  const client = useQueryClient();
  const form = useForm<Read, unknown>(SHAPE, {
    keepAs: `${room} paper ${paper.version ? paper.id : "new"}`,
    id: paper.version ? paper.id : newId(),
    version: paper.version,
    start: {
      ...paper,
      width_mm: shownLength(paper.width_mm, me),
      height_mm: shownLength(paper.height_mm, me),
      g_per_m2: String(paper.g_per_m2),
      ready_minutes: typedNumber(paper.ready_minutes ?? null),
      latest_minutes: typedNumber(paper.latest_minutes ?? null),
      sheets: String(paper.sheets),
    },
    send: (read, sent) => keepPaper(room, { ...read, ...sent }),
    done: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      done();
    },
  });
  return (
    <aside>
      <h2>{paper.version ? `Change ${paper.name}` : "A new paper"}</h2>
      <form noValidate onSubmit={form.submit} className="mt-2 grid gap-3">
        <TextField form={form} name="name" />
        <div className="flex flex-wrap gap-3">
          <NumberField form={form} name="width_mm" step={10} />
          <NumberField form={form} name="height_mm" step={10} />
          <NumberField form={form} name="g_per_m2" step={10} />
        </div>
        <PickField form={form} name="school" options={SCHOOLS} />
        <div className="flex flex-wrap gap-3">
          <NumberField
            form={form}
            name="ready_minutes"
            step={5}
            hint="Empty: as it usually takes."
          />
          <NumberField form={form} name="latest_minutes" step={15} />
        </div>
        <PickField form={form} name="better_side" options={SIDES} />
        <NumberField form={form} name="sheets" />
        <TextField form={form} name="note" />
        <KeepFoot form={form} submit="Keep the paper" old={paper.version > 0} leave={done} />
      </form>
    </aside>
  );
}
