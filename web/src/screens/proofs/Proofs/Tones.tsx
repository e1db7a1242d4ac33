import type { Proof } from "../../../api/proofs";
import { AreaName } from "../../../figures/AreaName";
import { Digits, Table } from "../../../ui/Table";
import { stopsOf, Track, TrackHead } from "./Track";

/** Each area: wanted, expected by its bites, and read, with the doubt of the reading. */
export function Tones({ proof, proofs }: { proof: Proof; proofs: Proof[] }) {
  const stops = stopsOf(proofs, "", null, proof);
  const tracked = stops.length > 1;
  return (
    <Table
      columns={[
        { head: "Area" },
        { head: "Wanted", right: true },
        { head: "Expected", right: true, desk: true },
        { head: "Read, L*", right: true },
        ...(tracked ? [{ head: <TrackHead stops={stops} />, desk: true }] : []),
      ]}
    >
      {proof.tones.map((tone, i) => (
        <tr key={tone.area}>
          <td>
            <AreaName name={tone.area} parts={tone.parts} place={i} />
          </td>
          <Digits>{tone.wanted_lstar === null ? "white" : tone.wanted_lstar.toFixed(0)}</Digits>
          <Digits desk>{tone.expected_lstar?.toFixed(0)}</Digits>
          <Digits>
            <b>{tone.read_lstar.toFixed(0)}</b>
            <span className="note"> ±{(2 * (tone.spread ?? BY_EYE_LSTAR)).toFixed(0)}</span>
          </Digits>
          {tracked ? (
            <td className="max-phone:hidden">
              <Track area={tone.area} stops={stopsOf(proofs, tone.area, null, proof)} />
            </td>
          ) : null}
        </tr>
      ))}
    </Table>
  );
}

/** A tone read by eye against a grey card: its standard deviation. */
const BY_EYE_LSTAR = 1;
