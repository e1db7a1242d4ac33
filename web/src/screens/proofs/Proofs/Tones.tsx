import type { Proof } from "../../../api/proofs";
import { BiteOn } from "./BiteOn";
import { AreaName } from "../../../figures/AreaName";
import { Mark, type MarkName } from "../../../ui/Mark";
import { Digits, Table } from "../../../ui/Table";

const PX_PER_LSTAR = 4;
const HALF = 46;
const ZONE = [-12, -8, -4, 4, 8, 12];
const ACTS: Record<string, { mark: MarkName; colour: string }> = {
  leave: { mark: "leave", colour: "text-ink-2" },
  bite: { mark: "dip", colour: "text-verdigris" },
  burnish: { mark: "burnish", colour: "text-copper-deep" },
};

/** Each area: wanted, expected, read; how far off; and one line of advice. */
export function Tones({ proof }: { proof: Proof }) {
  return (
    <Table
      columns={[
        { head: "Area" },
        { head: "Wanted", right: true },
        { head: "Expected", right: true, desk: true },
        { head: "Read", right: true },
        { head: "too light · too dark", desk: true },
        { head: "Next" },
      ]}
    >
      {proof.tones.map((tone, i) => (
        <Row key={tone.area} proof={proof} place={i} />
      ))}
    </Table>
  );
}

function Row({ proof, place }: { proof: Proof; place: number }) {
  const tone = proof.tones[place];
  if (!tone) return null;
  const advice = proof.advice?.areas.find((each) => each.name === tone.area);
  const act = ACTS[advice?.act ?? ""];
  const goal = tone.wanted_lstar ?? tone.expected_lstar;
  return (
    <tr>
      <td>
        <AreaName name={tone.area} parts={tone.parts} place={place} />
      </td>
      <Digits>{tone.wanted_lstar === null ? "white" : tone.wanted_lstar.toFixed(0)}</Digits>
      <Digits desk>{tone.expected_lstar?.toFixed(0)}</Digits>
      <Digits>
        <b>{tone.read_lstar.toFixed(0)}</b>
      </Digits>
      <td className="w-26 max-phone:hidden">
        {goal === null ? null : <Off by={tone.read_lstar - goal} />}
      </td>
      <td>
        {advice && act ? (
          <span className={`flex gap-2 font-semibold ${act.colour} [&>svg]:flex-none`}>
            <Mark name={act.mark} size={20} />
            <span>
              {advice.text}{" "}
              {advice.act === "bite" ? <BiteOn proof={proof} area={tone.area} /> : null}
            </span>
          </span>
        ) : null}
      </td>
    </tr>
  );
}

/** Left of the line is too light, right too dark; the hatched zone is ±3 L*. */
export function Off({ by }: { by: number }) {
  const length = Math.min(HALF - 4, Math.abs(by) * PX_PER_LSTAR);
  return (
    <svg width={HALF * 2} height="24" aria-hidden="true">
      {ZONE.map((x) => (
        <path key={x} d={`M${HALF + x} 0V24`} className="stroke-ink" strokeOpacity=".25" />
      ))}
      <rect
        x={by > 0 ? HALF - length : HALF}
        y="6"
        width={length}
        height="12"
        className="fill-ink"
      />
      <path d={`M${HALF} 0V24`} className="stroke-ink" strokeWidth="2" />
    </svg>
  );
}
