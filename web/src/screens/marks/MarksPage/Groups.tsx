import { useState } from "react";
import { useFieldArray } from "react-hook-form";
import type { Marks, MarksIn } from "../../../api/marks";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { NumberField, PickField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { length, number, pick, shapeOf, text } from "../../../ui/form/shape";
import { shownIn } from "../../../ui/form/units";
import { type Form, useForm } from "../../../ui/form/useForm";
import { fieldAt } from "../../../ui/form/shape";
import { Empty, Section } from "../../../ui/Section";
import { useUser } from "../../../ui/useUser";
import type { Asked } from "./asked";
import { GroupRow } from "./GroupRow";
import { useKeepMarks } from "../../../frame/useKeepMarks";

const SHAPE = shapeOf("MarksIn", {
  trial: pick("Trial"),
  kind: pick("Worked with"),
  needle_um: number("Needle or burin", { optional: true, unit: "µm" }),
  "groups.*.name": text("Group #"),
  "groups.*.lstar": number("Wanted, group #", { optional: true }),
  "groups.*.now_lstar": number("Read off a proof, group #", { optional: true }),
  "groups.*.way": pick("Drawn by"),
  "groups.*.layers": pick("Layers"),
  "groups.*.pressure": pick("Pressure"),
  "groups.*.texture": pick("Texture"),
  "groups.*.times": number("How often, group #", { optional: true }),
  "groups.*.x_mm": length("From the left, group #"),
  "groups.*.y_mm": length("From the top, group #"),
  "groups.*.width_mm": length("Width, group #"),
  "groups.*.height_mm": length("Height, group #"),
});
const KINDS = [
  ["hatching", "needle"],
  ["engraving", "burin"],
] as const;

type Read = Omit<MarksIn, "groups" | "trial"> & { groups: GroupRead[]; trial: string };
type GroupRead = Record<string, unknown> & { layers: string; pressure: string; texture: string };

/** The groups of marks: what tone each shall print, and how it is drawn. */
export function Groups({ marks, asked }: { marks: Marks; asked: Asked }) {
  const [open, setOpen] = useState(false);
  const count = marks.groups.length;
  return (
    <Section>
      <span className="flex items-baseline gap-3">
        <h2 className="mr-auto text-h3">Groups of marks</h2>
        {open || count === 0 ? null : (
          <Button look="plain" onClick={() => setOpen(true)}>
            Change the groups
          </Button>
        )}
      </span>
      {!open && count === 0 ? (
        <Empty title="No group yet">
          <p>
            A group is what shall have one tone: sky, shutter, shade. Each gets its spacing, its
            lines and its minutes. Two minutes.
          </p>
          <Button look="plain" onClick={() => setOpen(true)}>
            Name the first group
          </Button>
        </Empty>
      ) : null}
      {open ? <Change marks={marks} asked={asked} close={() => setOpen(false)} /> : null}
    </Section>
  );
}

type ChangeProps = { marks: Marks; asked: Asked; close: () => void };

function Change({ marks, asked, close }: ChangeProps) {
  const keep = useKeepMarks(marks);
  const { units } = useUser();
  const { room } = useHere();
  const form: Form = useForm<Read, Marks>(SHAPE, {
    keepAs: `${room} groups ${marks.id}`,
    version: marks.version,
    start: {
      trial: marks.trial?.id ?? "",
      kind: marks.kind,
      needle_um: marks.needle_um === null ? "" : String(marks.needle_um),
      groups: (marks.groups.length > 0 ? marks.groups : [first(asked)]).map(typedGroup),
    },
    send: ({ groups, trial, ...read }, { version }) =>
      keep(
        { ...read, ...asked, trial: trial || null, groups: groups.map(groupIn) } as never,
        version,
      ),
    done: close,
  });
  const rows = useFieldArray({ control: form.hook.control, name: "groups" });
  return (
    <form noValidate onSubmit={form.submit} className="mt-2 grid gap-3">
      <div className="flex flex-wrap gap-4">
        <PickField form={form} name="kind" options={KINDS} />
        <NumberField form={form} name="needle_um" />
        <PickField
          form={form}
          name="trial"
          options={[["", "none"], ...marks.trials.map((each) => [each.id, each.name] as const)]}
        />
      </div>
      {rows.fields.map((row, i) => (
        <GroupRow key={row.id} form={form} at={i} marks={marks} drop={() => rows.remove(i)} />
      ))}
      <span>
        <Button look="quiet" onClick={() => rows.append(typedGroup(first(asked)))}>
          Add a group
        </Button>
      </span>
      <FormFoot form={form} submit="Keep the groups">
        <Button look="quiet" onClick={close}>
          Leave it
        </Button>
      </FormFoot>
    </form>
  );

  function typedGroup(group: Partial<Marks["groups"][number]>) {
    const shown = (name: string, value: number | null | undefined) => {
      const field = fieldAt(SHAPE, `groups.0.${name}`);
      return value == null || !field ? "" : shownIn(field, value, units, 2);
    };
    return {
      name: group.name ?? "",
      lstar: group.lstar == null ? "" : String(group.lstar),
      now_lstar: group.now_lstar == null ? "" : String(group.now_lstar),
      way: group.way ?? "hatching",
      layers: String(group.layers ?? 2),
      pressure: String(group.pressure ?? 3),
      texture: group.texture ?? "",
      times: String(group.times ?? 1),
      x_mm: shown("x_mm", group.x_mm ?? 0),
      y_mm: shown("y_mm", group.y_mm ?? 0),
      width_mm: shown("width_mm", group.width_mm ?? 20),
      height_mm: shown("height_mm", group.height_mm ?? 20),
    };
  }
}

/** A group of the tone that is asked about. */
const first = ({ lstar, layers, pressure }: Asked) => ({
  lstar,
  layers,
  pressure: pressure as Marks["pressure"],
});

/** As the server takes it: words of pickers as numbers, nothing for no texture. */
const groupIn = ({ layers, pressure, texture, ...read }: GroupRead) => ({
  ...read,
  layers: Number(layers),
  pressure: Number(pressure),
  texture: texture || null,
});
