import { useState } from "react";
import type { SchemaNode } from "../../../api/calc";
import { ApiError } from "../../../api/client";
import { faultAt } from "../../../ui/faults";
import { Choice, NumberField, TextField } from "../../../ui/Field";
import { firstValue, isOptional, resolved, words } from "./schema";

type Props = {
  root: SchemaNode;
  node: SchemaNode;
  value: unknown;
  onChange: (value: unknown) => void;
  name: string;
  error: unknown;
};

/** A form made from a schema; what has no form of its own is typed as JSON. */
export function SchemaForm(props: Props) {
  const { root, node, value, onChange, name } = props;
  const real = resolved(node, root);
  if (real.type === "object" && real.properties && (value || !isOptional(node))) {
    return <Fields {...props} properties={real.properties} />;
  }
  if (real.type === "array" && real.items && (value || !isOptional(node))) {
    return <Rows {...props} item={real.items} />;
  }
  if (real.type === "object" || real.type === "array") return <Json {...props} />;
  const shared = { label: words(name), fault: faultAt(props.error, name) };
  if (real.enum || real.type === "boolean") {
    const options = real.enum ?? ["yes", "no"];
    const shown =
      value === null ? "" : typeof value === "boolean" ? (value ? "yes" : "no") : String(value);
    const pairs = options.map((each) => [each, each] as [string, string]);
    return (
      <Choice
        {...shared}
        value={shown}
        options={isOptional(node) ? [["", "not known"], ...pairs] : pairs}
        onChange={(next) => onChange(next === "" ? null : real.enum ? next : next === "yes")}
      />
    );
  }
  if (real.type === "string") {
    return <TextField {...shared} value={String(value ?? "")} onChange={onChange} />;
  }
  return <Figure {...props} unit={real.unit} />;
}

/** A number; it stays as typed until it can be read as one. */
function Figure({ value, onChange, name, error, unit }: Props & { unit?: string }) {
  const [text, setText] = useState(value === null ? "" : String(value));
  return (
    <NumberField
      label={words(name)}
      unit={unit}
      value={text}
      fault={faultAt(error, name)}
      onChange={(next) => {
        setText(next);
        const number = Number(next.replace(",", "."));
        onChange(next.trim() === "" ? null : Number.isNaN(number) ? next : number);
      }}
    />
  );
}

function Fields(props: Props & { properties: Record<string, SchemaNode> }) {
  const { root, value, onChange, properties, error } = props;
  const held = (value ?? {}) as Record<string, unknown>;
  return (
    <div className="measures">
      {Object.entries(properties).map(([key, each]) => (
        <SchemaForm
          key={key}
          root={root}
          node={each}
          name={key}
          error={error}
          value={held[key] ?? null}
          onChange={(next) => onChange({ ...held, [key]: next })}
        />
      ))}
    </div>
  );
}

function Rows(props: Props & { item: SchemaNode }) {
  const { root, value, onChange, item, name, error } = props;
  const rows = (value ?? []) as unknown[];
  return (
    <fieldset className="m-0 p-0" style={{ border: 0, width: "100%" }}>
      <legend className="label">{words(name)}</legend>
      {rows.map((row, i) => (
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no name of their own
          key={i}
          style={{ borderLeft: "3px solid var(--hair)", paddingLeft: 10, marginBottom: 6 }}
        >
          <SchemaForm
            root={root}
            node={item}
            name={`${words(name)} ${i + 1}`}
            error={error}
            value={row}
            onChange={(next) => onChange(rows.map((old, k) => (k === i ? next : old)))}
          />
        </div>
      ))}
      <button
        type="button"
        className="link"
        onClick={() => onChange([...rows, firstValue(item, root)])}
      >
        add to {words(name)}
      </button>{" "}
      {rows.length > 0 ? (
        <button type="button" className="link" onClick={() => onChange(rows.slice(0, -1))}>
          take the last away
        </button>
      ) : null}
    </fieldset>
  );
}

function Json({ value, onChange, name, error }: Props) {
  const [text, setText] = useState(value ? JSON.stringify(value) : "");
  const [bad, setBad] = useState(false);
  const fault = error instanceof ApiError && error.fault.field === name ? error.fault : null;
  return (
    <div style={{ width: "100%" }}>
      <TextField
        long
        label={`${words(name)}, as JSON`}
        hint={bad ? "This is not JSON yet." : undefined}
        value={text}
        fault={fault}
        onChange={(next) => {
          setText(next);
          try {
            onChange(next.trim() ? JSON.parse(next) : null);
            setBad(false);
          } catch {
            setBad(true);
          }
        }}
      />
    </div>
  );
}
