import type { ReactNode } from "react";
import { Button, type Look, TextButton } from "../Button";
import { Care } from "../Care";
import { Stale } from "./Stale";
import type { Form } from "./useForm";

type Props = {
  form: Form;
  submit: string;
  look?: Look;
  disabled?: boolean;
  /** In the row of the fields, its button beside them. */
  beside?: boolean;
  children?: ReactNode;
};

/** The foot of a form: its button, others beside it, and what went wrong that no field shows. */
export function FormFoot({ form, submit, look = "strong", disabled, beside, children }: Props) {
  return (
    <div className={`grid gap-3 ${beside ? "mt-6" : "mt-4"}`}>
      <div className="flex flex-wrap items-center gap-3">
        <Button type="submit" look={look} disabled={disabled || form.busy}>
          {submit}
        </Button>
        {children}
        {form.taken ? (
          <span className="note">
            What you typed before stands here again.{" "}
            <TextButton onClick={form.startAfresh}>Start afresh</TextButton>
          </span>
        ) : null}
      </div>
      {form.trouble ? <Care role="alert">{form.trouble}</Care> : null}
      <RowFaults form={form} />
      <Stale form={form} />
    </div>
  );
}

/** What is wrong in the cells of tables, where there is no room at the cell. */
export function RowFaults({ form }: { form: Form }) {
  const faults = leaves(form.hook.formState.errors).filter(({ path }) => /\.\d+\./.test(path));
  if (faults.length === 0) return null;
  return (
    <ul role="alert" className="grid gap-1">
      {faults.map(({ path, message }) => (
        <li key={path}>
          <Care>{message}</Care>
        </li>
      ))}
    </ul>
  );
}

type Leaf = { path: string; message: string };

/** Errors as react-hook-form nests them, told flat. */
function leaves(errors: object, at = ""): Leaf[] {
  return Object.entries(errors).flatMap(([key, value]): Leaf[] => {
    const path = at ? `${at}.${key}` : key;
    if (!value || typeof value !== "object" || key === "ref") return [];
    const { message } = value as { message?: unknown };
    return typeof message === "string" ? [{ path, message }] : leaves(value, path);
  });
}
