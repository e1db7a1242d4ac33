import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { stripsQuery } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { Trouble } from "../../../ui/Trouble";

/** All strips of the room. */
export function Strips() {
  const { room } = useHere();
  const { data, error } = useQuery(stripsQuery(room));
  if (error) return <Trouble error={error} />;
  return (
    <>
      <header className="flex flex-wrap items-center gap-4" style={{ minHeight: 56 }}>
        <h1>Strips</h1>
        <span className="note">Your own calibration: patches of known time, printed and read.</span>
        <Link className="btn strong ml-auto" to={`/r/${room}/strips/new`}>
          Read a strip
        </Link>
      </header>
      {data && data.items.length === 0 ? (
        <div className="empty">
          <h2>No strip yet</h2>
          <p>
            Times would be a guess. Bite a scrap of the same ground in 6 patches, print it, type
            what you read. About 40 minutes.
          </p>
          <Link className="btn strong" to={`/r/${room}/strips/new`}>
            Read a strip
          </Link>
        </div>
      ) : (
        <table>
          <thead>
            <tr>
              <th>Strip</th>
              <th>Metal and ground</th>
              <th className="desk">Mordant</th>
              <th className="right">Patches</th>
              <th className="right">L* reached</th>
            </tr>
          </thead>
          <tbody>
            {data?.items.map((strip) => (
              <tr key={strip.id}>
                <td>
                  <Link to={`/r/${room}/strips/${strip.id}`} style={{ fontWeight: 620 }}>
                    {strip.name}
                  </Link>
                  {strip.read_on ? <span className="note"> read {strip.read_on}</span> : null}
                </td>
                <td>
                  {strip.metal}, {strip.ground}
                </td>
                <td className="desk">{strip.mordant_label}</td>
                <td className="right n">
                  {strip.patches}
                  {strip.left_out ? (
                    <span className="note"> ({strip.left_out} left out)</span>
                  ) : null}
                </td>
                <td className="right n">
                  {strip.usable
                    ? `${strip.lightest_lstar?.toFixed(0)} to ${strip.darkest_lstar?.toFixed(0)}`
                    : "no curve"}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
