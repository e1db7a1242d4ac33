import type { Plan } from "../api/plans";
import { Digits, Table } from "../ui/Table";
import { clock } from "../ui/times";

/** What is left between the lines, and when it would fall in were it bitten on. */
export function Land({ plan }: { plan: Plan }) {
  const end = plan.sheet.plan.areas;
  return (
    <div className="mt-1.5">
      <Table
        columns={[
          { head: "Group" },
          { head: "Deep µm", right: true },
          { head: "Wide µm", right: true },
          { head: "Prints", right: true },
          { head: "Land µm", right: true },
          { head: "Falls in after", right: true },
        ]}
      >
        {plan.sheet.areas.map((group) => {
          const lines = end.find((area) => area.name === group.name)?.lines;
          return (
            <tr key={group.name}>
              <td>{group.name}</td>
              <Digits>
                {lines ? (
                  <Banded
                    value={lines.depth_um}
                    low={lines.depth_um_low}
                    high={lines.depth_um_high}
                  />
                ) : null}
              </Digits>
              <Digits>
                {lines ? (
                  <Banded
                    value={lines.width_um}
                    low={lines.width_um_low}
                    high={lines.width_um_high}
                  />
                ) : null}
              </Digits>
              <Digits>{lines ? `${Math.round(lines.darkness * 100)} % dark` : ""}</Digits>
              <Digits>{group.land_um == null ? "" : group.land_um.toFixed(0)}</Digits>
              <Digits>
                {group.land_fails_seconds == null
                  ? "say how far apart"
                  : clock(group.land_fails_seconds)}
              </Digits>
            </tr>
          );
        })}
      </Table>
    </div>
  );
}

function Banded({ value, low, high }: { value: number; low: number; high: number }) {
  return (
    <>
      <b>{value.toFixed(0)}</b>{" "}
      <small className="whitespace-nowrap text-ink-2">
        {low.toFixed(0)} to {high.toFixed(0)}
      </small>
    </>
  );
}
