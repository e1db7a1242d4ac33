import { useId } from "react";
import { useController } from "react-hook-form";
import { fieldAt } from "./shape";
import { unitOf } from "./units";
import type { Form } from "./useForm";

/** A field of a form: what it is called, what is typed, what is wrong. */
export function useField(form: Form, name: string) {
  const id = useId();
  const field = fieldAt(form.shape, name);
  if (!field) throw new Error(`The form has no field ${name}.`);
  const { field: bound, fieldState } = useController({ control: form.hook.control, name });
  const change = (value: unknown) => {
    if (fieldState.error?.type === "server") form.hook.clearErrors(name);
    bound.onChange(value);
  };
  return {
    id,
    label: field.label,
    unit: unitOf(field, form.units),
    kind: field.kind,
    value: bound.value as unknown,
    text: String(bound.value ?? ""),
    change,
    onBlur: bound.onBlur,
    ref: bound.ref,
    fault: fieldState.error?.message ?? "",
  };
}

export type Bound = ReturnType<typeof useField>;
