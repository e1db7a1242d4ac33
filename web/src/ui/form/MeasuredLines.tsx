import { useFieldArray } from "react-hook-form";
import type { Shapes } from "../../api/client";
import { Button } from "../Button";
import { typedNumber } from "../numbers";
import { CellField } from "./Fields";
import type { Typed } from "./read";
import { number } from "./shape";
import type { Form } from "./useForm";

export type MeasuredLine = Shapes["MeasuredLine"];

const COLUMNS = [
  ["seconds", "Bitten s"],
  ["dips", "Dips"],
  ["depth_um", "Deep µm"],
  ["width_um", "Wide µm"],
  ["needle_um", "Needle µm"],
] as const;

/** The fields of lines that stand at a path of a form. */
export const measuredFields = (at: string) =>
  Object.fromEntries(
    COLUMNS.map(([key, name]) => [`${at}.*.${key}`, number(`Line #, ${name}`)] as const),
  );

const EMPTY = { seconds: "", dips: "1", depth_um: "", width_um: "", needle_um: "" };

export const typedLine = (line: MeasuredLine): Typed =>
  Object.fromEntries(COLUMNS.map(([key]) => [key, typedNumber(line[key])]));

/** A line as it is sent, bitten at these conditions. */
export const lineOf = (
  read: Typed,
  at: { temperature_c: number; load_g_per_l: number },
): MeasuredLine => ({ ...at, ...(read as MeasuredLine), dips: (read.dips as number | null) ?? 1 });

type Props = { form: Form; at: string; title: string; hint: string };

/** Lines measured with loupe or focus: they correct rate and undercut. */
export function MeasuredLines({ form, at, title, hint }: Props) {
  const rows = useFieldArray({ control: form.hook.control, name: at });
  return (
    <details className="mt-2.5" open={rows.fields.length > 0}>
      <summary className="font-semibold">
        {title}: {rows.fields.length}
      </summary>
      {rows.fields.length > 0 ? (
        <div className="relative overflow-x-auto">
          <table>
            <thead>
              <tr>
                {COLUMNS.map(([key, name]) => (
                  <th key={key}>{name}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.fields.map((line, i) => (
                <tr key={line.id}>
                  {COLUMNS.map(([key]) => (
                    <CellField key={key} form={form} name={`${at}.${i}.${key}`} step={1} />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : null}
      <p className="note my-1">
        Width by a loupe with a scale, depth by focusing on the floor. {hint}
      </p>
      <Button look="quiet" onClick={() => rows.append(EMPTY)}>
        Add a measured line
      </Button>
    </details>
  );
}
