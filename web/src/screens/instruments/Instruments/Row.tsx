import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  changeInstrument,
  type Instrument,
  replaceToken,
  type TokenTold,
} from "../../../api/instruments";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { useSay } from "../../../ui/Toast";
import { dayOf, momentOf } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";
import { shownTemperature, temperatureUnit } from "../../../ui/units";
import { Sent } from "./Sent";

const MOST_DIGITS = 4;
type Props = { instrument: Instrument; tell: (told: TokenTold) => void };

/** One instrument: its scope, its last word, its token taken back or replaced. */
export function Row({ instrument, tell }: Props) {
  const { zone } = useHere();
  const [open, setOpen] = useState(false);
  const over = instrument.taken_back_at !== null;
  return (
    <>
      <tr className={over ? "text-ink-3" : ""}>
        <td>
          <b className={over ? "line-through" : ""}>{instrument.name}</b>
          <span className="note block">
            {instrument.kind}
            {instrument.bath_name ? ` in ${instrument.bath_name}` : ""}
          </span>
        </td>
        <td>{instrument.sends.join(", ")}</td>
        <td>
          <Last instrument={instrument} />
          <button
            type="button"
            className="note underline"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            {open ? "Close" : "What it sent"}
          </button>
        </td>
        <td>
          {over ? "taken back" : dayOf(instrument.ends_at, zone)}
          <span className="note block">made by {instrument.made_by}</span>
        </td>
        <td className="text-right">
          <Acts instrument={instrument} tell={tell} />
        </td>
      </tr>
      {open ? (
        <tr>
          <td colSpan={5}>
            <Sent instrument={instrument} />
          </td>
        </tr>
      ) : null}
    </>
  );
}

function Last({ instrument }: { instrument: Instrument }) {
  const { me, zone } = useHere();
  const { last_at, last_value, last_unit } = instrument;
  if (!last_at || last_value === null) return <span className="note block">Nothing yet.</span>;
  const warm = last_unit === "°C";
  const value = warm
    ? shownTemperature(last_value, me)
    : String(Number(last_value.toFixed(MOST_DIGITS)));
  return (
    <>
      <b className="num">
        {value} {warm ? temperatureUnit(me) : last_unit}
      </b>
      <span className="note block">{momentOf(last_at, zone)}</span>
      {instrument.last_why ? <Care className="text-note">{instrument.last_why}</Care> : null}
    </>
  );
}

function Acts({ instrument, tell }: Props) {
  const { room, keeper } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const [error, setError] = useState<unknown>(null);
  if (!keeper) return null;
  const over = instrument.taken_back_at !== null;
  const act = async (send: () => Promise<unknown>) => {
    setError(null);
    await send().catch(setError);
    await client.invalidateQueries({ queryKey: [room, "instruments"] });
  };
  const change = (taken_back: boolean) =>
    act(async () => {
      await changeInstrument(room, instrument.id, { version: instrument.version, taken_back });
      say({
        text: taken_back
          ? `${instrument.name} sends nothing more.`
          : `${instrument.name} may send again.`,
      });
    });
  const replace = () =>
    act(async () => {
      const made = await replaceToken(room, instrument.id, instrument.version);
      tell({ name: made.name, token: made.token });
    });
  return (
    <>
      <Button look="row" onClick={() => change(!over)}>
        {over ? "Let it send again" : "Take it back"}
      </Button>
      <Button look="row" onClick={replace}>
        Replace a lost token
      </Button>
      {error ? <Trouble error={error} /> : null}
    </>
  );
}
