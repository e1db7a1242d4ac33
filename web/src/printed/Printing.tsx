import { NumberField, TextField } from "../ui/form/Fields";
import { number, pick, text } from "../ui/form/shape";
import type { Form } from "../ui/form/useForm";
import { PrintedFields, printedFields } from "./PrintedFields";

/** The columns of how a proof was printed, for the shape of a form. */
export const printingFields = {
  ...printedFields,
  soak_minutes: number("Soak"),
  pressure: text("Pressure"),
  passes: number("Passes through the press", { needed: true }),
  note: text("Note"),
  foul_bite: pick("Foul bite on it?"),
  "tones.*.read_lstar": number("Area #, L* read"),
};

/** A tone that was not read is not sent. */
export const unreadTones = {
  tones: (row: Record<string, unknown>) => String(row.read_lstar).trim() === "",
};

export const FOULED = [
  ["", "not looked for"],
  ["no", "none"],
  ["yes", "yes, unwanted pits"],
] as const;

/** Whether it shows foul bite, as it is picked and as it is sent. */
export const fouledOf = (picked: string) => (picked === "" ? null : picked === "yes");
export const fouledPicked = (fouled: boolean | null) =>
  fouled === null ? "" : fouled ? "yes" : "no";

/** How a proof was printed. */
export function Printing({ form }: { form: Form }) {
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(190px,1fr))] items-start gap-3.5">
      <PrintedFields form={form} />
      <NumberField form={form} name="soak_minutes" step={5} />
      <TextField form={form} name="pressure" />
      <NumberField form={form} name="passes" />
    </div>
  );
}
