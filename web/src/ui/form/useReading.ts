import { useRef } from "react";
import { type FieldValues, useForm as useHookForm } from "react-hook-form";
import type { Units } from "../units";
import { type Read, readTyped, type Typed } from "./read";
import type { Shape } from "./shape";

/** What is typed, and the last reading of it. */
export function useReading(shape: Shape, units: Units, start: Typed) {
  const last = useRef<Read>({ body: {}, faults: new Map(), rows: {} });
  const hook = useHookForm<FieldValues>({
    defaultValues: start,
    resolver: (values) => {
      last.current = readTyped(shape, values, units);
      const { body, faults } = last.current;
      return faults.size > 0
        ? { values: {}, errors: nested(faults) }
        : { values: body, errors: {} };
    },
  });
  return { hook, last };
}

/** Faults by path, as react-hook-form holds them. */
function nested(faults: Map<string, string>) {
  const errors = {};
  for (const [path, message] of faults) setAt(errors, path.split("."), { type: "read", message });
  return errors;
}

function setAt(into: Record<string, unknown>, [first = "", ...rest]: string[], value: unknown) {
  if (rest.length === 0) into[first] = value;
  else {
    into[first] ??= /^\d+$/.test(rest[0] ?? "") ? [] : {};
    setAt(into[first] as Record<string, unknown>, rest, value);
  }
}
