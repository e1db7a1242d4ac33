import { newId } from "../../../run/device";
import { Cell } from "../../../ui/Cell";
import type { LinesForm, MeasuredForm } from "./form";

const COLUMNS: [keyof MeasuredForm, string][] = [
  ["seconds", "Bitten s"],
  ["dips", "Dips"],
  ["depth", "Deep µm"],
  ["width", "Wide µm"],
  ["needle", "Needle µm"],
];

/** Lines measured on this plate, with loupe or focus: they correct rate and undercut. */
export function Measured({
  form,
  setForm,
}: {
  form: LinesForm;
  setForm: (form: LinesForm) => void;
}) {
  const change = (key: string, part: Partial<MeasuredForm>) =>
    setForm({
      ...form,
      measured: form.measured.map((m) => (m.key === key ? { ...m, ...part } : m)),
    });
  const add = () =>
    setForm({
      ...form,
      measured: [
        ...form.measured,
        { key: newId(), seconds: "", dips: "1", depth: "", width: "", needle: "" },
      ],
    });
  return (
    <details style={{ marginTop: 10 }} open={form.measured.length > 0}>
      <summary>Lines measured on this plate: {form.measured.length}</summary>
      {form.measured.length > 0 ? (
        <table className="tight">
          <thead>
            <tr>
              {COLUMNS.map(([key, name]) => (
                <th key={key}>{name}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {form.measured.map((line, i) => (
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
      ) : null}
      <p className="note" style={{ margin: "4px 0" }}>
        Width by a loupe with a scale, depth by focusing on the floor. Seconds in the bath, at 20
        °C.
      </p>
      <button type="button" className="btn quiet" onClick={add}>
        Add a measured line
      </button>
    </details>
  );
}
