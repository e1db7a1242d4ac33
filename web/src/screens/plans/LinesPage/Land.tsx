import type { Plan } from "../../../api/plans";
import { clock } from "../../../ui/times";

/** What is left between the lines, and when it would fall in were it bitten on. */
export function Land({ plan }: { plan: Plan }) {
  const end = plan.sheet.plan.areas;
  return (
    <table style={{ marginTop: 6 }}>
      <thead>
        <tr>
          <th>Group</th>
          <th className="right">Deep</th>
          <th className="right">Wide</th>
          <th className="right">Prints</th>
          <th className="right">Land left</th>
          <th>Falls in after</th>
        </tr>
      </thead>
      <tbody>
        {plan.sheet.areas.map((group) => {
          const lines = end.find((area) => area.name === group.name)?.lines;
          return (
            <tr key={group.name}>
              <td>{group.name}</td>
              <td className="right n">
                {lines
                  ? `${lines.depth_um.toFixed(0)} µm (${lines.depth_um_low.toFixed(0)} to ${lines.depth_um_high.toFixed(0)})`
                  : ""}
              </td>
              <td className="right n">
                {lines
                  ? `${lines.width_um.toFixed(0)} µm (${lines.width_um_low.toFixed(0)} to ${lines.width_um_high.toFixed(0)})`
                  : ""}
              </td>
              <td className="right n">
                {lines ? `${Math.round(lines.darkness * 100)} % dark` : ""}
              </td>
              <td className="right n">{group.land_um == null ? "" : `${group.land_um} µm`}</td>
              <td className="n">
                {group.land_fails_seconds == null
                  ? "say how far apart"
                  : `${clock(group.land_fails_seconds)} in the bath`}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
