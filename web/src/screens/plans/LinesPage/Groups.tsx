import { useQuery } from "@tanstack/react-query";
import { ApiError } from "../../../api/client";
import { toolsQuery } from "../../../api/shopbook";
import { useHere } from "../../../frame/useHere";
import { Cell } from "../../../ui/Cell";
import { type GroupForm, type LinesForm, newGroup } from "./form";

type Props = {
  form: LinesForm;
  setForm: (form: LinesForm) => void;
  error: unknown;
  count: number;
};

/** Groups of lines: the depth each shall have, or how dark it shall print; needle and spacing. */
export function Groups({ form, setForm, error, count }: Props) {
  const change = (key: string, part: Partial<GroupForm>) =>
    setForm({ ...form, groups: form.groups.map((g) => (g.key === key ? { ...g, ...part } : g)) });
  const { room } = useHere();
  const needles = (useQuery(toolsQuery(room)).data?.items ?? [])
    .filter((tool) => tool.kind === "needle" && tool.width_um != null && !tool.put_away)
    .map((tool) => `${tool.name} ${tool.width_um} µm`)
    .join(", ");
  const wrong =
    error instanceof ApiError ? /(?:groups|areas)\.(\d+)/.exec(error.fault.field)?.[1] : undefined;
  return (
    <fieldset className="m-0 border-0 p-0" style={{ marginTop: 16 }}>
      <legend className="label">Groups of lines, finest first</legend>
      <div className="plain-table">
        <table className="tight">
          <thead>
            <tr>
              <th>Group</th>
              <th>Wanted</th>
              <th>
                <span className="vh">Depth or darkness</span>
              </th>
              <th>Needle µm</th>
              <th>Apart µm</th>
              <th>cm²</th>
              <th>
                <span className="vh">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {form.groups.map((group, i) => (
              <tr
                key={group.key}
                style={String(i) === wrong ? { background: "var(--ferric-pale)" } : undefined}
              >
                <Cell
                  label={`Name of group ${i + 1}`}
                  value={group.name}
                  onChange={(name) => change(group.key, { name })}
                  wide
                />
                <Cell
                  label={`${group.name}, wanted`}
                  value={group.amount}
                  step={1}
                  onChange={(amount) => change(group.key, { amount })}
                />
                <td style={{ padding: "3px 6px 3px 0" }}>
                  <select
                    className="cell-select"
                    aria-label={`${group.name}, as depth or darkness`}
                    value={group.goal}
                    onChange={(event) =>
                      change(group.key, { goal: event.target.value as GroupForm["goal"] })
                    }
                  >
                    <option value="depth">µm</option>
                    <option value="darkness">% dark</option>
                  </select>
                </td>
                <Cell
                  label={`${group.name}, needle in µm`}
                  value={group.needle}
                  step={5}
                  placeholder="50?"
                  onChange={(needle) => change(group.key, { needle })}
                />
                <Cell
                  label={`${group.name}, apart in µm`}
                  value={group.spacing}
                  step={50}
                  placeholder=""
                  onChange={(spacing) => change(group.key, { spacing })}
                />
                <Cell
                  label={`${group.name}, opened in cm²`}
                  value={group.open}
                  step={1}
                  onChange={(open) => change(group.key, { open })}
                />
                <td style={{ width: 26 }}>
                  <button
                    type="button"
                    className="link"
                    aria-label={`Take out ${group.name}`}
                    style={{ minHeight: 38, padding: "0 4px" }}
                    onClick={() =>
                      setForm({ ...form, groups: form.groups.filter((g) => g.key !== group.key) })
                    }
                  >
                    ×
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {needles ? <p className="note m-0">Needles here: {needles}.</p> : null}
      <button
        type="button"
        className="btn quiet"
        onClick={() =>
          setForm({ ...form, groups: [...form.groups, newGroup(`Group ${count + 1}`)] })
        }
      >
        Add a group
      </button>
    </fieldset>
  );
}
