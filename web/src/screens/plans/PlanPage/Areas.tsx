import { ApiError } from "../../../api/client";
import { Cell } from "../../../ui/Cell";
import { newId } from "../../../run/device";
import { ToneSign } from "../../../figures/ToneSign";
import type { AreaForm, PlanForm } from "./form";

type Props = { form: PlanForm; setForm: (form: PlanForm) => void; error: unknown };

/** The areas and the tones they are meant to have; an empty tone stays paper white. */
export function Areas({ form, setForm, error }: Props) {
  const change = (key: string, part: Partial<AreaForm>) =>
    setForm({ ...form, areas: form.areas.map((a) => (a.key === key ? { ...a, ...part } : a)) });
  const wrong = error instanceof ApiError ? /areas\.(\d+)/.exec(error.fault.field)?.[1] : undefined;
  return (
    <fieldset className="m-0 border-0 p-0" style={{ marginTop: 16 }}>
      <legend className="label">Areas and tones wanted</legend>
      <table>
        <thead>
          <tr>
            <th>
              <span className="vh">Sign</span>
            </th>
            <th>Area</th>
            <th>L*</th>
            <th>cm²</th>
            <th>
              <span className="vh">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {form.areas.map((area, i) => (
            <tr
              key={area.key}
              style={String(i) === wrong ? { background: "var(--ferric-pale)" } : undefined}
            >
              <td style={{ width: 24, paddingTop: 14 }}>
                <ToneSign tone={i} size={16} />
              </td>
              <Cell
                label={`Name of area ${i + 1}`}
                value={area.name}
                onChange={(name) => change(area.key, { name })}
                wide
              />
              <Cell
                label={`L* wanted of ${area.name}`}
                value={area.lstar}
                placeholder="white"
                onChange={(lstar) => change(area.key, { lstar })}
                step={1}
              />
              <Cell
                label={`Surface of ${area.name} in cm²`}
                value={area.open}
                onChange={(open) => change(area.key, { open })}
                step={5}
              />
              <td style={{ width: 26 }}>
                <button
                  type="button"
                  className="link"
                  aria-label={`Take out ${area.name}`}
                  style={{ minHeight: 38, padding: "0 4px" }}
                  onClick={() =>
                    setForm({ ...form, areas: form.areas.filter((a) => a.key !== area.key) })
                  }
                >
                  ×
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="btn quiet"
        onClick={() =>
          setForm({
            ...form,
            areas: [
              ...form.areas,
              {
                key: newId(),
                name: `Tone ${form.areas.length}`,
                parts: "",
                lstar: "20",
                open: "30",
              },
            ],
          })
        }
      >
        Add an area
      </button>
    </fieldset>
  );
}
