import type { Change, Proof } from "../../../api/proofs";
import { AreaName } from "../../../figures/AreaName";
import { Digits, Table } from "../../../ui/Table";
import { roman } from "../../../ui/times";
import { stopsOf, Track, TrackHead } from "./Track";

type Props = { change: Change; left: Proof; right: Proof; proofs: Proof[] };
const SEEN_LSTAR = 1.2;

/** What all areas share of a change: it was the printing; the rest is the plate. */
export function Shared({ change }: { change: Change }) {
  return (
    <p className="border-t-2 border-ink pt-2 text-lead">
      What all share:{" "}
      <b className="num">
        {change.shared_lstar > 0 ? "+" : ""}
        {change.shared_lstar.toFixed(1)} ±{(2 * change.shared_spread).toFixed(1)}
      </b>{" "}
      L*. {sharedOf(change)}
    </p>
  );
}

/** Each area in both proofs against what was wanted, over all states. */
export function Changes({ change, left, right, proofs }: Props) {
  return (
    <Table
      columns={[
        { head: "Area" },
        { head: "Wanted", right: true, desk: true },
        { head: roman(left.state_number), right: true },
        { head: roman(right.state_number), right: true },
        { head: "changed by, L*", right: true },
        { head: <TrackHead stops={stopsOf(proofs, "", left, right)} />, desk: true },
      ]}
    >
      {change.areas.map((area, i) => {
        const [then, now] = [toneOf(left, area.name), toneOf(right, area.name)];
        return (
          <tr key={area.name}>
            <td>
              <AreaName name={area.name} parts={now?.parts ?? ""} place={i} />
            </td>
            <Digits desk>{now?.wanted_lstar?.toFixed(0) ?? "white"}</Digits>
            <Digits>{then?.read_lstar.toFixed(0)}</Digits>
            <Digits>
              <b>{now?.read_lstar.toFixed(0)}</b>
            </Digits>
            <td className="text-right">
              <By change={area.change_lstar} />
            </td>
            <td className="max-phone:hidden">
              <Track area={area.name} stops={stopsOf(proofs, area.name, left, right)} />
            </td>
          </tr>
        );
      })}
    </Table>
  );
}

export const toneOf = (proof: Proof, name: string) =>
  proof.tones.find((each) => each.area === name);

/** By how much a tone changed, in words. */
export function By({ change: by }: { change: number }) {
  if (Math.abs(by) < SEEN_LSTAR) return <span className="note">as it was</span>;
  return (
    <b className={by > 0 ? "text-copper-deep" : undefined}>
      <span className="num">{Math.abs(by).toFixed(0)}</span> {by > 0 ? "lighter" : "darker"}
    </b>
  );
}

function sharedOf(change: Change): string {
  const plate = change.areas.some((area) => Math.abs(area.own_lstar) >= SEEN_LSTAR);
  const wipe = Math.abs(change.shared_lstar) >= SEEN_LSTAR;
  if (plate && wipe) return "The wipe changed, and the plate.";
  if (plate) return "So it is the plate that changed, not the wipe.";
  return wipe ? "So it is the wipe that changed, not the plate." : "Neither changed to be seen.";
}
