import { type ReactNode, useId } from "react";
import type { Fault } from "../api/client";
import { Mark } from "./Mark";

type Common = {
  label: string;
  hint?: ReactNode;
  fault?: Fault | null;
};

function Wrong({ fault, id }: { fault: Fault; id: string }) {
  const limit = [fault.allowed, fault.unit].filter(Boolean).join(" ");
  return (
    <p className="care" id={id} role="alert" style={{ margin: "6px 0 0" }}>
      <Mark name="care" />
      <span>
        {fault.text}
        {limit ? <small>Allowed: {limit}.</small> : null}
      </span>
    </p>
  );
}

/** A labelled field with its unit inside at the right; an error stands at the field. */
export function NumberField({
  label,
  unit,
  value,
  onChange,
  step = 1,
  hint,
  fault,
  required,
  onBlur,
}: Common & {
  unit?: string;
  value: string;
  onChange: (value: string) => void;
  step?: number;
  required?: boolean;
  onBlur?: () => void;
}) {
  const id = useId();
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      <div className={`field num${fault ? " bad" : ""}`}>
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          value={value}
          required={required}
          aria-invalid={Boolean(fault)}
          aria-describedby={`${id}-h`}
          onBlur={onBlur}
          onChange={(event) => onChange(event.target.value)}
          onKeyDown={(event) => {
            const way = event.key === "ArrowUp" ? 1 : event.key === "ArrowDown" ? -1 : 0;
            if (way === 0) return;
            event.preventDefault();
            const next = (Number(value) || 0) + way * step * (event.shiftKey ? 10 : 1);
            onChange(String(Math.round(next * 100) / 100));
          }}
        />
        {unit ? <span className="unit">{unit}</span> : null}
      </div>
      <div id={`${id}-h`}>
        {hint ? <p className="note m-0 mt-1">{hint}</p> : null}
        {fault ? <Wrong fault={fault} id={`${id}-e`} /> : null}
      </div>
    </div>
  );
}

export function TextField({
  label,
  value,
  onChange,
  hint,
  fault,
  type = "text",
  autoComplete = "off",
  long,
  list,
}: Common & {
  value: string;
  onChange: (value: string) => void;
  type?: string;
  autoComplete?: string;
  long?: boolean;
  list?: string[];
}) {
  const id = useId();
  const shared = {
    id,
    value,
    "aria-invalid": Boolean(fault),
    "aria-describedby": `${id}-h`,
    onChange: (event: { target: { value: string } }) => onChange(event.target.value),
  };
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      <div className={`field${fault ? " bad" : ""}`}>
        {long ? (
          <textarea rows={3} {...shared} />
        ) : (
          <input
            type={type}
            autoComplete={autoComplete}
            list={list ? `${id}-l` : undefined}
            {...shared}
          />
        )}
      </div>
      {list ? (
        <datalist id={`${id}-l`}>
          {list.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
      ) : null}
      <div id={`${id}-h`}>
        {hint ? <p className="note m-0 mt-1">{hint}</p> : null}
        {fault ? <Wrong fault={fault} id={`${id}-e`} /> : null}
      </div>
    </div>
  );
}

export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  fault,
}: Common & { value: T; options: [T, string][]; onChange: (value: T) => void }) {
  const id = useId();
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      <div className="field">
        <select id={id} value={value} onChange={(event) => onChange(event.target.value as T)}>
          {options.map(([key, text]) => (
            <option key={key} value={key}>
              {text}
            </option>
          ))}
        </select>
      </div>
      {fault ? <Wrong fault={fault} id={`${id}-e`} /> : null}
    </div>
  );
}

export function Segments<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: [T, string][];
  onChange: (value: T) => void;
}) {
  return (
    <fieldset className="seg m-0 p-0">
      <legend className="vh">{label}</legend>
      {options.map(([key, text]) => (
        <button key={key} type="button" aria-pressed={key === value} onClick={() => onChange(key)}>
          {text}
        </button>
      ))}
    </fieldset>
  );
}
