import { useState } from "react";
import { byArrows } from "../../../ui/form/Fields";

type Props = {
  label: string;
  unit: string;
  value: number;
  read: (text: string) => number | null;
  say: (value: number) => string;
  onChange: (value: number) => void;
};

const STEP_SECONDS = 5;

/** A figure that is asked for: what can be read of it is asked at once. */
export function Ask({ label, unit, value, read, say, onChange }: Props) {
  const [typed, setTyped] = useState({ text: say(value), at: value });
  const isTime = unit === "min:s";
  const type = (text: string) => {
    const found = read(text);
    setTyped({ text, at: found ?? value });
    if (found !== null) onChange(found);
  };
  // keys may have moved what is asked since it was typed
  const shown = typed.at === value ? typed.text : say(value);
  const unread = read(shown) === null;
  return (
    <span className="inline-flex items-stretch rounded-cut border-[1.5px] border-ink bg-white has-aria-invalid:border-[2.5px] has-aria-invalid:border-ferric-deep">
      <input
        aria-label={label}
        aria-invalid={unread || undefined}
        inputMode={isTime ? "text" : "decimal"}
        className="num w-24 py-2 pr-1 pl-3 text-right text-h3 leading-none font-bold text-copper-deep"
        value={shown}
        onChange={(event) => type(event.target.value)}
        onKeyDown={(event) => {
          const next = byArrows(event, isTime ? STEP_SECONDS : 1, isTime);
          if (next !== null) type(next);
        }}
      />
      <span className="flex items-center pr-3 pl-1 font-text text-body font-normal text-ink-2">
        {unit}
      </span>
    </span>
  );
}
