import { useEffect, useRef, useState } from "react";
import type { Run } from "../../../api/runs";
import { useHere } from "../../../frame/useHere";
import type { Log } from "../../../device/useRun";
import { readTemperature, temperatureUnit } from "../../../ui/units";

export type Asked = null | "temperature" | "dip-anyway";
type Props = { asked: Asked; close: () => void; log: Log; run: Run };

const [COLDEST_C, WARMEST_C] = [0, 60];

/** The bath's temperature, typed; nothing else is ever asked during a bite. */
export function Panel({ asked, close, log }: Props) {
  return asked === "temperature" ? <Temperature close={close} log={log} /> : null;
}

function Temperature({ close, log }: { close: () => void; log: Log }) {
  const { me } = useHere();
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState("");
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.focus(), []);
  const save = () => {
    const celsius = readTemperature(Number(text.replace(",", ".")), me);
    if (text.trim() === "" || Number.isNaN(celsius) || celsius < COLDEST_C || celsius > WARMEST_C) {
      const [low, high] = me.temperature_unit === "F" ? [32, 140] : [COLDEST_C, WARMEST_C];
      setWrong(
        `The bath's temperature: ${text || "nothing"} is not between ${low} and ${high} ${temperatureUnit(me)}.`,
      );
      return;
    }
    log({ kind: "temperature", data: { celsius } });
    close();
  };
  return (
    <form
      className="run-panel"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
      onKeyDown={(event) => event.key === "Escape" && close()}
    >
      <label htmlFor="bath-temperature">Bath now</label>
      <span className="field num">
        <input
          id="bath-temperature"
          ref={input}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          aria-invalid={wrong !== ""}
          onChange={(event) => setText(event.target.value)}
        />
        <span className="unit">{temperatureUnit(me)}</span>
      </span>
      <button type="submit">Log it</button>
      <button type="button" className="plain" onClick={close}>
        Leave it
      </button>
      {wrong ? (
        <p className="bad" role="alert">
          {wrong}
        </p>
      ) : null}
    </form>
  );
}
