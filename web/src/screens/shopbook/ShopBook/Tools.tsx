import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepTool, type Tool, toolsQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { elsewhere, faultAt } from "../../../ui/faults";
import { Choice, NumberField, TextField } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";

const KINDS: [Tool["kind"], string][] = [
  ["needle", "Needle"],
  ["scraper", "Scraper"],
  ["burnisher", "Burnisher"],
  ["roller", "Roller"],
  ["burin", "Burin"],
  ["other", "Other"],
];
const fresh = (): Tool => ({
  id: newId(),
  version: 0,
  name: "",
  kind: "needle",
  width_um: null,
  sharpened_on: null,
  note: "",
  put_away: false,
});

/** The tools: measured width, when sharpened. */
export function Tools() {
  const { room } = useHere();
  const { data, error } = useQuery(toolsQuery(room));
  const [draft, setDraft] = useState<Tool>(fresh);
  if (error) return <Trouble error={error} />;
  return (
    <div className="two">
      <table>
        <thead>
          <tr>
            <th>Tool</th>
            <th>Kind</th>
            <th className="right">Width</th>
            <th>Sharpened</th>
            <th>
              <span className="vh">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {(data?.items ?? []).map((tool) => (
            <tr key={tool.id}>
              <td>
                <b>{tool.name}</b>
              </td>
              <td>{tool.kind}</td>
              <td className="right n">{tool.width_um == null ? "" : `${tool.width_um} µm`}</td>
              <td className="n">{tool.sharpened_on ?? ""}</td>
              <td>
                <button type="button" className="link" onClick={() => setDraft(tool)}>
                  change
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Edit key={`${draft.id} ${draft.version}`} start={draft} done={() => setDraft(fresh())} />
    </div>
  );
}

function Edit({ start, done }: { start: Tool; done: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const [form, setForm] = useState({
    name: start.name,
    kind: start.kind,
    width: start.width_um == null ? "" : String(start.width_um),
    sharpened: start.sharpened_on ?? "",
  });
  const save = useMutation({
    mutationFn: () =>
      keepTool(room, {
        ...start,
        name: form.name.trim(),
        kind: form.kind,
        width_um: form.width.trim() === "" ? null : Number(form.width.replace(",", ".")),
        sharpened_on: form.sharpened || null,
      }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room, "tools"] });
      done();
    },
  });
  return (
    <aside>
      <h2>{start.version ? "Change the tool" : "A new tool"}</h2>
      <TextField
        label="Name"
        value={form.name}
        onChange={(name) => setForm({ ...form, name })}
        fault={faultAt(save.error, "name")}
      />
      <Choice
        label="Kind"
        value={form.kind}
        options={KINDS}
        onChange={(kind) => setForm({ ...form, kind })}
      />
      <NumberField
        label="Width of its line"
        unit="µm"
        step={5}
        value={form.width}
        onChange={(width) => setForm({ ...form, width })}
        fault={faultAt(save.error, "width_um")}
      />
      <TextField
        label="Sharpened on"
        type="date"
        value={form.sharpened}
        onChange={(sharpened) => setForm({ ...form, sharpened })}
        fault={faultAt(save.error, "sharpened_on")}
      />
      <div className="flex flex-wrap gap-3" style={{ marginTop: 10 }}>
        <button type="button" className="btn strong" onClick={() => save.mutate()}>
          Keep the tool
        </button>
        <Trouble error={elsewhere(save.error, ["name", "width_um", "sharpened_on"])} />
      </div>
    </aside>
  );
}
