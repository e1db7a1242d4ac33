import type { Strip } from "../../../api/strips";
import { fittedAt, isOut } from "../../../figures/ToneCurve";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Key } from "../../../ui/Key";
import { Digits, Table } from "../../../ui/Table";
import { clock } from "../../../ui/times";
import { Retype } from "./Retype";

type Props = {
  strip: Strip;
  chosen: number | null;
  choose: (place: number) => void;
  toggle: (place: number) => void;
  busy: boolean;
  /** The chosen patch is being typed anew. */
  typing: boolean;
  setTyping: (typing: boolean) => void;
};

/** The patches with what the curve says of them; a flagged one says why. */
export function Patches({ strip, chosen, choose, toggle, busy, typing, setTyping }: Props) {
  const flagged = strip.readings.findIndex((_, i) => fittedAt(strip, i)?.outlier);
  const shown = chosen ?? (flagged >= 0 ? flagged : null);
  return (
    <aside>
      <Table
        columns={[
          { head: "Patch" },
          { head: "In all", right: true },
          ...(strip.bitten === "dips" ? [{ head: "as one dip", right: true }] : []),
          { head: "read", right: true },
          { head: "off by", right: true },
        ]}
      >
        {strip.readings.map((patch, i) => (
          <Row
            key={`${patch.seconds} ${patch.lstar}`}
            strip={strip}
            place={i}
            chosen={shown === i}
            choose={() => choose(i)}
          />
        ))}
      </Table>
      {strip.fit ? (
        <p className="note my-2">
          Patches lie <span className="num">{Number(strip.fit.rms_lstar).toFixed(1)}</span> L* from
          the curve. It holds to{" "}
          <span className="num">{clock(Number(strip.fit.valid_to_seconds))}</span>.
        </p>
      ) : null}
      {shown === null ? null : typing ? (
        <Retype key={shown} strip={strip} place={shown} close={() => setTyping(false)} />
      ) : (
        <Why
          strip={strip}
          place={shown}
          busy={busy}
          toggle={() => toggle(shown)}
          retype={() => {
            choose(shown);
            setTyping(true);
          }}
        />
      )}
    </aside>
  );
}

type RowProps = { strip: Strip; place: number; chosen: boolean; choose: () => void };

function Row({ strip, place, chosen, choose }: RowProps) {
  const patch = strip.readings[place];
  if (!patch) return null;
  const fitted = fittedAt(strip, place);
  const out = isOut(strip, place);
  return (
    <tr className={out ? "bg-ferric-pale text-ferric-deep" : undefined}>
      <td>
        <button
          type="button"
          className="min-w-6 pointer-coarse:min-w-11 underline underline-offset-3 aria-pressed:font-bold"
          aria-pressed={chosen}
          onClick={choose}
        >
          {place + 1}
        </button>
      </td>
      <Digits>{clock(patch.seconds)}</Digits>
      {strip.bitten === "dips" ? (
        <Digits>{clock(strip.one_dip_seconds[place] ?? patch.seconds)}</Digits>
      ) : null}
      <Digits>
        <b className={out ? "line-through" : undefined}>{patch.lstar.toFixed(0)}</b>
      </Digits>
      <Digits>{fitted ? signed(patch.lstar - fitted.fitted) : "left out"}</Digits>
    </tr>
  );
}

type WhyProps = {
  strip: Strip;
  place: number;
  toggle: () => void;
  retype: () => void;
  busy: boolean;
};

function Why({ strip, place, toggle, retype, busy }: WhyProps) {
  const why = fittedAt(strip, place)?.why;
  const byHand = strip.readings[place]?.left_out;
  return (
    <div
      className={`mt-2.5 grid justify-items-start gap-2 border-l-4 pl-3 ${why || byHand ? "border-ferric-deep" : "border-ink"}`}
    >
      {why ? (
        <>
          <Care>Why patch {place + 1} is left out</Care>
          <p>{why}</p>
        </>
      ) : (
        <>
          <p>
            Patch {place + 1} {byHand ? "is left out by you." : "is in the curve."}
          </p>
          <Button disabled={busy} onClick={toggle}>
            {byHand ? "Put it back" : "Leave it out"} <Key>X</Key>
          </Button>
        </>
      )}
      <Button look="quiet" onClick={retype}>
        Type it anew <Key>E</Key>
      </Button>
    </div>
  );
}

function signed(off: number): string {
  const whole = Math.round(off);
  return whole > 0 ? `+${whole}` : String(whole === 0 ? 0 : whole);
}
