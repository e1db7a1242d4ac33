import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepTool, type Tool, toolsQuery } from "../../../api/shopbook";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { Button, TextButton } from "../../../ui/Button";
import { NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { number, pick, shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { typedNumber } from "../../../ui/numbers";
import { Beside } from "../../../ui/Section";
import { Digits, Table } from "../../../ui/Table";
import { Asking } from "../../../ui/Asking";

const KINDS: [Tool["kind"], string][] = [
  ["needle", "Needle"],
  ["scraper", "Scraper"],
  ["burnisher", "Burnisher"],
  ["roller", "Roller"],
  ["burin", "Burin"],
  ["other", "Other"],
];
const SHAPE = shapeOf("ToolIn", {
  name: text("Name"),
  kind: pick("Kind"),
  width_um: number("Width of its line"),
  sharpened_on: text("Sharpened on"),
});
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
type Read = Pick<Tool, "name" | "kind" | "width_um"> & { sharpened_on: string };
const typed = (tool: Tool) => ({
  name: tool.name,
  kind: tool.kind,
  width_um: typedNumber(tool.width_um),
  sharpened_on: tool.sharpened_on ?? "",
});

/** The tools: measured width, when sharpened. */
export function Tools() {
  const { room } = useHere();
  const { data, error } = useQuery(toolsQuery(room));
  const [draft, setDraft] = useState<Tool>(fresh);
  if (!data) return <Asking error={error} />;
  return (
    <Beside>
      <Table
        columns={[
          { head: "Tool" },
          { head: "Kind" },
          { head: "Width", right: true },
          { head: "Sharpened" },
          { head: "Change", hidden: true },
        ]}
      >
        {data.items.map((tool) => (
          <tr key={tool.id}>
            <td>
              <b>{tool.name}</b>
            </td>
            <td>{tool.kind}</td>
            <Digits>{tool.width_um == null ? "" : `${tool.width_um} µm`}</Digits>
            <td className="num">{tool.sharpened_on ?? ""}</td>
            <td>
              <TextButton onClick={() => setDraft(tool)}>change</TextButton>
            </td>
          </tr>
        ))}
      </Table>
      <Edit key={`${draft.id} ${draft.version}`} tool={draft} done={() => setDraft(fresh())} />
    </Beside>
  );
}

function Edit({ tool, done }: { tool: Tool; done: () => void }) {
  const { room } = useHere();
  const client = useQueryClient();
  const form = useForm<Read, Tool>(SHAPE, {
    keepAs: `${room} tool ${tool.version ? tool.id : "new"}`,
    id: tool.version ? tool.id : undefined,
    version: tool.version,
    start: typed(tool),
    send: (read, sent) =>
      keepTool(room, { ...tool, ...read, ...sent, sharpened_on: read.sharpened_on || null }),
    theirs: async () => {
      const all = await client.fetchQuery({ ...toolsQuery(room), staleTime: 0 });
      const now = all.items.find((each) => each.id === tool.id) ?? tool;
      return { version: now.version, values: typed(now) };
    },
    done: async () => {
      await client.invalidateQueries({ queryKey: [room, "tools"] });
      done();
    },
  });
  return (
    <aside>
      <h2>{tool.version ? "Change the tool" : "A new tool"}</h2>
      <form noValidate onSubmit={form.submit} className="mt-2 grid gap-3">
        <TextField form={form} name="name" />
        <PickField form={form} name="kind" options={KINDS} />
        <NumberField form={form} name="width_um" step={5} />
        <TextField form={form} name="sharpened_on" type="date" />
        <FormFoot form={form} submit="Keep the tool">
          {tool.version ? (
            <Button look="quiet" onClick={done}>
              Leave it
            </Button>
          ) : null}
        </FormFoot>
      </form>
    </aside>
  );
}
