import { useState } from "react";
import { type Form, useTyped } from "../ui/form/useForm";
import { parseNumber } from "../ui/numbers";
import { readTemperature, temperatureUnit } from "../ui/units";
import { useHere } from "./useHere";

/** A bath's temperature typed by hand is taken between these; beyond it is asked back. */
const [SURELY_LOW_C, SURELY_HIGH_C] = [5, 40];

export type Odd = { asked: string; sure: () => void };

/** What is asked back of a temperature that is odd for a bath; null where none is, or it was said to be so. */
export function useOddBath(form: Form, name: string): Odd | null {
  const { me } = useHere();
  const [sure, setSure] = useState("");
  const typed = useTyped(form, name);
  const value = parseNumber(typed);
  if (value === undefined || Number.isNaN(value)) return null;
  const celsius = readTemperature(value, me);
  const { low = celsius, high = celsius } = form.shape.fields[name] ?? {};
  if (celsius < low || celsius > high) return null; // what cannot be is said at the field
  const odd = celsius < SURELY_LOW_C || celsius > SURELY_HIGH_C;
  if (!odd || sure === typed) return null;
  return {
    asked: `${typed} ${temperatureUnit(me)} is odd for a bath. Is that so?`,
    sure: () => setSure(typed),
  };
}
