import { useQuery } from "@tanstack/react-query";
import { ApiError } from "../../../api/client";
import { toolsQuery } from "../../../api/shopbook";
import { ToneSign } from "../../../figures/ToneSign";
import { useHere } from "../../../frame/useHere";
import type { AreaForm, PlanForm } from "../../../processes/typed";
import type { ProcessParts } from "../../../processes/parts";
import { Cell } from "../../../ui/Cell";

type Props = {
  process: ProcessParts;
  form: PlanForm;
  setForm: (form: PlanForm) => void;
  error: unknown;
};

/** The areas of a plan and what each is wanted at; the process brings the cells of the goal. */
export function Areas({ process, form, setForm, error }: Props) {
  const change = (key: string, part: Partial<AreaForm>) =>
    setForm({ ...form, areas: form.areas.map((a) => (a.key === key ? { ...a, ...part } : a)) });
  const remove = (key: string) =>
    setForm({ ...form, areas: form.areas.filter((a) => a.key !== key) });
  const wrong =
    error instanceof ApiError ? /(?:areas|groups)\.(\d+)/.exec(error.fault.field)?.[1] : undefined;
  return (
    <fieldset className="m-0 border-0 p-0" style={{ marginTop: 16 }}>
      <legend className="label">{process.legend}</legend>
      <div className="plain-table">
        <table className="tight">
          <Heads process={process} />
          <tbody>
            {form.areas.map((area, i) => (
              <tr
                key={area.key}
                style={String(i) === wrong ? { background: "var(--ferric-pale)" } : undefined}
              >
                {process.signs ? (
                  <td style={{ width: 24, minWidth: 24 }}>
                    <ToneSign tone={i} size={16} />
                  </td>
                ) : null}
                <Cell
                  label={`Name of ${process.area} ${i + 1}`}
                  value={area.name}
                  onChange={(name) => change(area.key, { name })}
                  wide
                />
                <process.Wish area={area} change={(wish) => change(area.key, { wish })} />
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
                    onClick={() => remove(area.key)}
                  >
                    ×
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {process.measures ? <Needles /> : null}
      <button
        type="button"
        className="btn quiet"
        onClick={() =>
          setForm({ ...form, areas: [...form.areas, process.another(form.areas.length)] })
        }
      >
        Add {process.area === "area" ? "an" : "a"} {process.area}
      </button>
    </fieldset>
  );
}

function Heads({ process }: { process: ProcessParts }) {
  return (
    <thead>
      <tr>
        {process.signs ? (
          <th>
            <span className="vh">Sign</span>
          </th>
        ) : null}
        <th>{process.area.charAt(0).toUpperCase() + process.area.slice(1)}</th>
        {process.heads.map((head) => (
          <th key={head}>{head || <span className="vh">Unit</span>}</th>
        ))}
        <th>cm²</th>
        <th>
          <span className="vh">Remove</span>
        </th>
      </tr>
    </thead>
  );
}

/** The needles of the room, where their width is known. */
function Needles() {
  const { room } = useHere();
  const found = (useQuery(toolsQuery(room)).data?.items ?? [])
    .filter((tool) => tool.kind === "needle" && tool.width_um != null && !tool.put_away)
    .map((tool) => `${tool.name} ${tool.width_um} µm`)
    .join(", ");
  return found ? <p className="note m-0">Needles here: {found}.</p> : null;
}
