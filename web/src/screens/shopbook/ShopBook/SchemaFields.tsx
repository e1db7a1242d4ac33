import { useFieldArray } from "react-hook-form";
import type { SchemaNode } from "../../../api/calc";
import { TextButton } from "../../../ui/Button";
import { LongField, NumberField, PickField, TextField } from "../../../ui/form/Fields";
import { fieldAt } from "../../../ui/form/shape";
import type { Form } from "../../../ui/form/useForm";
import { firstValue, isOptional, partOf, resolved, typedValue, words } from "./schema";

type Props = { form: Form; root: SchemaNode; node: SchemaNode; at: string };

/** The fields of a schema; what has no form of its own is typed as JSON. */
export function SchemaFields(props: Props) {
  const part = partOf(props.node, props.root);
  if (part === "rows") return <Rows {...props} />;
  return part === "group" ? <Group {...props} /> : <One {...props} />;
}

function Group({ form, root, node, at }: Props) {
  const { properties = {} } = resolved(node, root);
  return (
    <div className="flex flex-wrap items-start gap-x-4.5 gap-y-3">
      {Object.entries(properties).map(([key, each]) => (
        <SchemaFields
          key={key}
          form={form}
          root={root}
          node={each}
          at={at ? `${at}.${key}` : key}
        />
      ))}
    </div>
  );
}

function Rows({ form, root, node, at }: Props) {
  const item = resolved(node, root).items as SchemaNode;
  const rows = useFieldArray({ control: form.hook.control, name: at });
  const name = words(at.split(".").at(-1) ?? at);
  return (
    <fieldset className="w-full min-w-0">
      <legend className="mb-1 font-semibold">{name}</legend>
      {rows.fields.map((row, i) => (
        <div key={row.id} className="mb-1.5 border-l-3 border-hair pl-2.5">
          <SchemaFields form={form} root={root} node={item} at={`${at}.${i}`} />
        </div>
      ))}
      <TextButton
        onClick={() =>
          rows.append(typedValue(firstValue(item, root), item, root, form.units) as object)
        }
      >
        add to {name}
      </TextButton>{" "}
      {rows.fields.length > 0 ? (
        <TextButton onClick={() => rows.remove(rows.fields.length - 1)}>
          take the last away
        </TextButton>
      ) : null}
    </fieldset>
  );
}

const FIGURES = new Set(["number", "length", "temperature", "area"]);

function One({ form, root, node, at }: Props) {
  const real = resolved(node, root);
  const kind = fieldAt(form.shape, at)?.kind;
  if (kind && FIGURES.has(kind)) return <NumberField form={form} name={at} />;
  if (kind === "text") return <TextField form={form} name={at} />;
  if (kind === "json") {
    return (
      <div className="w-full">
        <LongField form={form} name={at} hint="As JSON." />
      </div>
    );
  }
  const options = (real.enum ?? ["yes", "no"]).map(
    (each) => [each, each.replaceAll("-", " ")] as const,
  );
  return (
    <PickField
      form={form}
      name={at}
      options={isOptional(node) ? [["", "not known"], ...options] : options}
    />
  );
}
