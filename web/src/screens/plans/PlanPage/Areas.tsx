import { areaUnit } from "../../../ui/units";
import { useQuery } from "@tanstack/react-query";
import { useFieldArray } from "react-hook-form";
import { toolsQuery } from "../../../api/shopbook";
import { ToneSign } from "../../../figures/ToneSign";
import { useHere } from "../../../frame/useHere";
import type { Plan } from "../../../api/plans";
import type { Way } from "../../../processes/form";
import type { AreaRow, ProcessParts } from "../../../processes/parts";
import { Button, TakeOut } from "../../../ui/Button";
import { CellField } from "../../../ui/form/Fields";
import { type Form, useTyped } from "../../../ui/form/useForm";
import { Table } from "../../../ui/Table";
import { TimedWish, WayOfPlanning } from "./Minutes";

type Props = { process: ProcessParts; form: Form; plan: Plan | null };

/** The areas of a plan and what each is wanted at; the process brings the cells of the goal. */
export function Areas({ process, form, plan }: Props) {
  const timed = useTyped<Way>(form, "way") === "minutes";
  const rows = useFieldArray({ control: form.hook.control, name: "areas" });
  const sign = process.signs ? [{ head: "Sign", hidden: true }] : [];
  const name = process.area.charAt(0).toUpperCase() + process.area.slice(1);
  return (
    <fieldset className="mt-4 min-w-0">
      <legend className="mb-1 font-semibold">{process.legend}</legend>
      <WayOfPlanning process={process} form={form} plan={plan} />
      <Table
        columns={[
          ...sign,
          { head: name },
          ...(timed
            ? [{ head: "In all" }, { head: "Comes to" }]
            : process.heads.map((head) => ({ head: head || "Unit", hidden: head === "" }))),
          { head: areaUnit(form.units) },
          { head: "Remove", hidden: true },
        ]}
      >
        {rows.fields.map((row, i) => (
          <tr key={row.id} className="[&>td]:align-middle">
            {process.signs ? (
              <td className="w-6 min-w-6">
                <ToneSign tone={i} size={16} />
              </td>
            ) : null}
            <CellField form={form} name={`areas.${i}.name`} wide />
            {timed ? (
              <TimedWish form={form} at={`areas.${i}`} plan={plan} />
            ) : (
              <process.Wish form={form} at={`areas.${i}`} />
            )}
            <CellField
              form={form}
              name={`areas.${i}.open_cm2`}
              label={`Surface of ${(row as unknown as AreaRow).name} in ${areaUnit(form.units)}`}
              step={5}
            />
            <td className="w-6">
              <TakeOut what={(row as unknown as AreaRow).name} onClick={() => rows.remove(i)} />
            </td>
          </tr>
        ))}
      </Table>
      {process.measures ? <Needles /> : null}
      <Button look="quiet" onClick={() => rows.append(process.another(rows.fields.length))}>
        Add {process.area === "area" ? "an" : "a"} {process.area}
      </Button>
    </fieldset>
  );
}

/** The needles of the room, where their width is known. */
function Needles() {
  const { room } = useHere();
  const found = (useQuery(toolsQuery(room)).data?.items ?? [])
    .filter((tool) => tool.kind === "needle" && tool.width_um != null && !tool.put_away)
    .map((tool) => `${tool.name} ${tool.width_um} µm`)
    .join(", ");
  return found ? <p className="note">Needles here: {found}.</p> : null;
}
