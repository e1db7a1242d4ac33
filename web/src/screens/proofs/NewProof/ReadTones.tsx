import { ApiError } from "../../../api/client";
import type { PlanArea } from "../../../api/plans";
import { ToneSign } from "../../../figures/ToneSign";

type Props = {
  areas: PlanArea[];
  tones: Record<string, string>;
  setTones: (tones: Record<string, string>) => void;
  error: unknown;
};

/** Tones read off the proof by hand, beside those that were wanted. */
export function ReadTones({ areas, tones, setTones, error }: Props) {
  const fault =
    error instanceof ApiError && error.fault.field.startsWith("tones") ? error.fault : null;
  const typed = areas.filter((area) => (tones[area.name] ?? "").trim() !== "");
  const wrong = typed[Number(/tones\.(\d+)/.exec(fault?.field ?? "")?.[1] ?? -1)]?.name;
  if (areas.length === 0)
    return <p>No tones were planned on this plate, so there is nothing to read them against.</p>;
  return (
    <>
      <h2>Tones read dry</h2>
      <p className="note" style={{ margin: "2px 0 8px" }}>
        The bare sheet outside the plate mark is 100. Leave out what you did not read.
      </p>
      <table>
        <thead>
          <tr>
            <th>Area</th>
            <th className="right">Wanted</th>
            <th className="right">Read, L*</th>
          </tr>
        </thead>
        <tbody>
          {areas.map((area, i) => (
            <tr key={area.name}>
              <td>
                <span style={{ display: "flex", gap: 9 }}>
                  <ToneSign tone={i} />
                  <span>
                    <b>{area.name}</b>
                    <br />
                    <span className="note">{area.parts}</span>
                  </span>
                </span>
              </td>
              <td className="right n">{area.lstar == null ? "white" : area.lstar}</td>
              <td className="right">
                <span
                  className={`field num${wrong === area.name ? " bad" : ""}`}
                  style={{ marginLeft: "auto" }}
                >
                  <input
                    aria-label={`${area.name}, L* read`}
                    inputMode="decimal"
                    value={tones[area.name] ?? ""}
                    onChange={(e) => setTones({ ...tones, [area.name]: e.target.value })}
                  />
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {fault ? (
        <p className="care" role="alert">
          {fault.text} Allowed: {fault.allowed} {fault.unit}.
        </p>
      ) : null}
    </>
  );
}
