import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepSupply, suppliesQuery, type Supply } from "../../../api/shopbook";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { PickField, TextField } from "../../../ui/form/Fields";
import { pick, shapeOf, text, yes } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Beside } from "../../../ui/Section";
import { Table } from "../../../ui/Table";
import { awayLook, Change, KeepFoot } from "./Keeping";

const KINDS: [Supply["kind"], string][] = [
  ["paper", "Paper"],
  ["ink", "Ink"],
  ["wipe", "Wipe"],
];
const SHAPE = shapeOf("SupplyIn", {
  name: text("Name"),
  kind: pick("Kind"),
  note: text("Note"),
  put_away: yes("Put away: not offered any more"),
});
const fresh = (): Supply => ({
  id: newId(),
  version: 0,
  name: "",
  kind: "paper",
  note: "",
  put_away: false,
});
type Read = Pick<Supply, "name" | "kind" | "note" | "put_away">;
const typed = ({ name, kind, note, put_away }: Supply) => ({ name, kind, note, put_away });

/** The room's papers, inks and wipes: proofs and strips that name the same ones can be compared. */
export function Supplies() {
  const { room } = useHere();
  const { data, error } = useQuery(suppliesQuery(room));
  const [draft, setDraft] = useState<Supply>(fresh);
  if (!data) return <Asking error={error} />;
  return (
    <Beside>
      <div>
        <p className="note mb-2">
          A proof tells of its plate’s curve only where paper, ink and wipe are those of the strip.
          What a proof or strip names is put here by itself; under a new name all of them follow.
        </p>
        <Table
          columns={[
            { head: "Name" },
            { head: "Kind" },
            { head: "Note", desk: true },
            { head: "Change", hidden: true },
          ]}
        >
          {data.items.map((each) => (
            <tr key={each.id} className={awayLook(each.put_away)}>
              <td>
                <b>{each.name}</b>
                {each.put_away ? <span className="note"> put away</span> : null}
              </td>
              <td>{each.kind}</td>
              <td className="max-phone:hidden">{each.note}</td>
              <Change name={each.name} onClick={() => setDraft(each)} />
            </tr>
          ))}
        </Table>
      </div>
      <Edit key={`${draft.id} ${draft.version}`} supply={draft} done={() => setDraft(fresh())} />
    </Beside>
  );
}

function Edit({ supply, done }: { supply: Supply; done: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const form = useForm<Read, Supply>(SHAPE, {
    keepAs: `${room} supply ${supply.version ? supply.id : "new"}`,
    id: supply.version ? supply.id : undefined,
    version: supply.version,
    start: typed(supply),
    send: (read, sent) => keepSupply(room, { ...supply, ...read, ...sent }),
    theirs: async () => {
      const all = await client.fetchQuery({ ...suppliesQuery(room), staleTime: 0 });
      const now = all.items.find((each) => each.id === supply.id) ?? supply;
      return { version: now.version, values: typed(now) };
    },
    done: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      done();
    },
  });
  return (
    <aside>
      <h2>{supply.version ? `Change ${supply.name}` : "A new paper, ink or wipe"}</h2>
      <form noValidate onSubmit={form.submit} className="mt-2 grid gap-3">
        <TextField form={form} name="name" />
        {supply.version ? null : <PickField form={form} name="kind" options={KINDS} />}
        <TextField form={form} name="note" />
        <KeepFoot form={form} submit="Keep it" old={supply.version > 0} leave={done} />
      </form>
    </aside>
  );
}
