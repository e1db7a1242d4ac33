import type { Shapes } from "../api/client";
import { newId } from "../device/ids";
import { Cell } from "./Cell";

/** A measured line as it is typed. */
export type MeasuredForm = {
  key: string;
  seconds: string;
  dips: string;
  depth: string;
  width: string;
  needle: string;
};
export type MeasuredLine = Shapes["MeasuredLine"];

const COLUMNS: [keyof MeasuredForm, string][] = [
  ["seconds", "Bitten s"],
  ["dips", "Dips"],
  ["depth", "Deep µm"],
  ["width", "Wide µm"],
  ["needle", "Needle µm"],
];

const text = (value: number | null | undefined) => (value == null ? "" : String(value));

/** A number, undefined where the field is empty, NaN while it is still being typed. */
export function read(value: string): number | undefined {
  return value.trim() === "" ? undefined : Number(value.replace(",", "."));
}

export function typedLine(line: MeasuredLine): MeasuredForm {
  return {
    key: newId(),
    seconds: text(line.seconds),
    dips: text(line.dips),
    depth: text(line.depth_um),
    width: text(line.width_um),
    needle: text(line.needle_um),
  };
}

/** What is sent, bitten at these conditions; null while something is still being typed. */
export function lineOf(
  line: MeasuredForm,
  at: { temperature_c: number; load_g_per_l: number },
): MeasuredLine | null {
  const [seconds, dips, depth, width, needle] = [
    line.seconds,
    line.dips,
    line.depth,
    line.width,
    line.needle,
  ].map(read);
  const numbers = [seconds, dips, depth, width, needle].filter((n) => n !== undefined);
  if (seconds === undefined || numbers.some(Number.isNaN)) return null;
  if (depth === undefined && width === undefined) return null;
  return {
    ...at,
    seconds,
    dips: dips ?? 1,
    depth_um: depth ?? null,
    width_um: width ?? null,
    needle_um: needle ?? null,
  };
}

type Props = {
  title: string;
  hint: string;
  rows: MeasuredForm[];
  setRows: (rows: MeasuredForm[]) => void;
};

/** Lines measured with loupe or focus: they correct rate and undercut. */
export function MeasuredLines({ title, hint, rows, setRows }: Props) {
  const change = (key: string, part: Partial<MeasuredForm>) =>
    setRows(rows.map((m) => (m.key === key ? { ...m, ...part } : m)));
  const add = () =>
    setRows([...rows, { key: newId(), seconds: "", dips: "1", depth: "", width: "", needle: "" }]);
  return (
    <details style={{ marginTop: 10 }} open={rows.length > 0}>
      <summary>
        {title}: {rows.length}
      </summary>
      {rows.length > 0 ? (
        <div className="plain-table">
          <table className="tight">
            <thead>
              <tr>
                {COLUMNS.map(([key, name]) => (
                  <th key={key}>{name}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((line, i) => (
                <tr key={line.key}>
                  {COLUMNS.map(([key, name]) => (
                    <Cell
                      key={key}
                      label={`Line ${i + 1}, ${name}`}
                      value={line[key]}
                      step={1}
                      onChange={(value) => change(line.key, { [key]: value })}
                    />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : null}
      <p className="note" style={{ margin: "4px 0" }}>
        Width by a loupe with a scale, depth by focusing on the floor. {hint}
      </p>
      <button type="button" className="btn quiet" onClick={add}>
        Add a measured line
      </button>
    </details>
  );
}
