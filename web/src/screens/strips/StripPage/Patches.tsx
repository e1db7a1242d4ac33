import type { Strip } from "../../../api/strips";
import { fittedAt, isOut } from "../../../figures/ToneCurve";
import { Mark } from "../../../ui/Mark";
import { clock } from "../../../ui/times";

type Props = {
  strip: Strip;
  chosen: number | null;
  choose: (place: number) => void;
  toggle: (place: number) => void;
  busy: boolean;
};

/** The patches with what the curve says of them; a flagged one says why. */
export function Patches({ strip, chosen, choose, toggle, busy }: Props) {
  const flagged = strip.readings.findIndex((_, i) => fittedAt(strip, i)?.outlier);
  const shown = chosen ?? (flagged >= 0 ? flagged : null);
  return (
    <aside>
      <table>
        <thead>
          <tr>
            <th>Patch</th>
            <th className="right">In all</th>
            <th className="right">read</th>
            <th className="right">off by</th>
          </tr>
        </thead>
        <tbody>
          {strip.readings.map((patch, i) => {
            const fitted = fittedAt(strip, i);
            const out = isOut(strip, i);
            const off = fitted ? patch.lstar - fitted.fitted : null;
            return (
              <tr
                key={`${patch.seconds} ${patch.lstar}`}
                style={
                  out
                    ? { background: "var(--ferric-pale)", color: "var(--ferric-deep)" }
                    : undefined
                }
              >
                <td>
                  <button
                    type="button"
                    className="link"
                    aria-pressed={chosen === i}
                    onClick={() => choose(i)}
                  >
                    {i + 1}
                  </button>
                </td>
                <td className="right n">{clock(patch.seconds)}</td>
                <td className="right n">
                  <b style={out ? { textDecoration: "line-through" } : undefined}>
                    {patch.lstar.toFixed(0)}
                  </b>
                </td>
                <td className="right n">{off === null ? "left out" : signed(off)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {strip.fit ? (
        <p className="note" style={{ margin: "8px 0" }}>
          Patches lie <span className="n">{Number(strip.fit.rms_lstar).toFixed(1)}</span> L* from
          the curve. It holds to{" "}
          <span className="n">{clock(Number(strip.fit.valid_to_seconds))}</span>.
        </p>
      ) : null}
      {shown !== null ? <Why strip={strip} place={shown} toggle={toggle} busy={busy} /> : null}
    </aside>
  );
}

function Why({
  strip,
  place,
  toggle,
  busy,
}: {
  strip: Strip;
  place: number;
  toggle: (place: number) => void;
  busy: boolean;
}) {
  const why = fittedAt(strip, place)?.why;
  const byHand = strip.readings[place]?.left_out;
  return (
    <div
      style={{
        borderLeft: `4px solid ${why || byHand ? "var(--ferric-deep)" : "var(--ink)"}`,
        paddingLeft: 12,
        marginTop: 10,
      }}
    >
      {why ? (
        <>
          <p className="care m-0">
            <Mark name="care" /> Why patch {place + 1} is left out
          </p>
          <p style={{ margin: "4px 0 8px" }}>{why}</p>
        </>
      ) : (
        <>
          <p style={{ margin: "0 0 8px" }}>
            Patch {place + 1} {byHand ? "is left out by you." : "is in the curve."}
          </p>
          <button type="button" className="btn" disabled={busy} onClick={() => toggle(place)}>
            {byHand ? "Put it back" : "Leave it out"} <span className="key">X</span>
          </button>
        </>
      )}
    </div>
  );
}

function signed(off: number): string {
  const whole = Math.round(off);
  return whole > 0 ? `+${whole}` : String(whole === 0 ? 0 : whole);
}
