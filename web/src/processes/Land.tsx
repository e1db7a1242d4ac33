import type { Plan } from "../api/plans";
import { clock } from "../ui/times";

/** What is left between the lines, and when it would fall in were it bitten on. */
export function Land({ plan }: { plan: Plan }) {
  const end = plan.sheet.plan.areas;
  return (
    <div className="plain-table" style={{ marginTop: 6 }}>
      <table className="tight">
        <thead>
          <tr>
            <th>Group</th>
            <th className="right">Deep µm</th>
            <th className="right">Wide µm</th>
            <th className="right">Prints</th>
            <th className="right">Land µm</th>
            <th className="right">Falls in after</th>
          </tr>
        </thead>
        <tbody>
          {plan.sheet.areas.map((group) => {
            const lines = end.find((area) => area.name === group.name)?.lines;
            return (
              <tr key={group.name}>
                <td>{group.name}</td>
                <td className="right n">
                  {lines ? (
                    <Banded
                      value={lines.depth_um}
                      low={lines.depth_um_low}
                      high={lines.depth_um_high}
                    />
                  ) : (
                    ""
                  )}
                </td>
                <td className="right n">
                  {lines ? (
                    <Banded
                      value={lines.width_um}
                      low={lines.width_um_low}
                      high={lines.width_um_high}
                    />
                  ) : (
                    ""
                  )}
                </td>
                <td className="right n">
                  {lines ? `${Math.round(lines.darkness * 100)} % dark` : ""}
                </td>
                <td className="right n">{group.land_um == null ? "" : group.land_um.toFixed(0)}</td>
                <td className="right n">
                  {group.land_fails_seconds == null
                    ? "say how far apart"
                    : clock(group.land_fails_seconds)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Banded({ value, low, high }: { value: number; low: number; high: number }) {
  return (
    <>
      <b>{value.toFixed(0)}</b>{" "}
      <small>
        {low.toFixed(0)} to {high.toFixed(0)}
      </small>
    </>
  );
}
