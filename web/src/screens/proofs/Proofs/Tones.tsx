import type { Proof } from "../../../api/proofs";
import { ToneSign } from "../../../figures/ToneSign";
import { Mark, type MarkName } from "../../../ui/Mark";

const PX_PER_LSTAR = 4;
const HALF = 46;
const MARKS: Record<string, MarkName> = { leave: "leave", bite: "dip", burnish: "burnish" };
const COLOURS: Record<string, string> = {
  leave: "var(--ink-2)",
  bite: "var(--verdigris)",
  burnish: "var(--copper-deep)",
};

/** Each area: wanted, expected, read; how far off; and one line of advice. */
export function Tones({ proof }: { proof: Proof }) {
  return (
    <table style={{ marginTop: 8 }}>
      <thead>
        <tr>
          <th>Area</th>
          <th className="right">Wanted</th>
          <th className="right desk">Expected</th>
          <th className="right">Read</th>
          <th style={{ width: HALF * 2 + 10 }} className="desk">
            too light · too dark
          </th>
          <th>Next</th>
        </tr>
      </thead>
      <tbody>
        {proof.tones.map((tone, i) => {
          const advice = proof.advice?.areas.find((each) => each.name === tone.area);
          const goal = tone.wanted_lstar ?? tone.expected_lstar;
          return (
            <tr key={tone.area}>
              <td>
                <span style={{ display: "flex", gap: 9 }}>
                  <ToneSign tone={i} />
                  <span>
                    <b>{tone.area}</b>
                    <br />
                    <span className="note">{tone.parts}</span>
                  </span>
                </span>
              </td>
              <td className="right n">
                {tone.wanted_lstar === null ? "white" : tone.wanted_lstar.toFixed(0)}
              </td>
              <td className="right n desk">{tone.expected_lstar?.toFixed(0)}</td>
              <td className="right n">
                <b>{tone.read_lstar.toFixed(0)}</b>
              </td>
              <td className="desk">
                {goal === null ? null : <Bar off={tone.read_lstar - goal} />}
              </td>
              <td>
                {advice ? (
                  <span
                    style={{ display: "flex", gap: 8, color: COLOURS[advice.act], fontWeight: 620 }}
                  >
                    <Mark name={MARKS[advice.act] ?? "leave"} size={20} />
                    <span>{advice.text}</span>
                  </span>
                ) : null}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Left of the line is too light, right too dark; the hatched zone is ±3 L*. */
function Bar({ off }: { off: number }) {
  const length = Math.min(HALF - 4, Math.abs(off) * PX_PER_LSTAR);
  return (
    <svg width={HALF * 2} height="24" aria-hidden="true">
      {[-12, -8, -4, 4, 8, 12].map((x) => (
        <path key={x} d={`M${HALF + x} 0V24`} stroke="#1B1714" strokeOpacity=".25" />
      ))}
      <rect x={off > 0 ? HALF - length : HALF} y="6" width={length} height="12" fill="#1B1714" />
      <path d={`M${HALF} 0V24`} stroke="#1B1714" strokeWidth="2" />
    </svg>
  );
}
