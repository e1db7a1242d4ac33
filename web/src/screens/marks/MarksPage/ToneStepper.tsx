import { useEffect, useState } from "react";
import { parseNumber } from "../../../ui/numbers";

const LOW = 0;
const HIGH = 105;

/** The tone that is asked about: typed, or stepped by one, with Shift by ten. */
export function ToneStepper({
  lstar,
  onChange,
}: {
  lstar: number;
  onChange: (to: number) => void;
}) {
  const [typed, type] = useState(String(lstar));
  useEffect(() => type(String(Math.round(lstar * 10) / 10)), [lstar]);
  const take = (text: string) => {
    type(text);
    const read = parseNumber(text);
    if (read !== undefined && read >= LOW && read <= HIGH) onChange(read);
  };
  const by = (step: number) => onChange(Math.min(HIGH, Math.max(LOW, Math.round(lstar + step))));
  const read = parseNumber(typed);
  const wrong = read === undefined || !(read >= LOW && read <= HIGH);
  return (
    <span className="inline-flex items-stretch rounded-cut border-2 border-ink bg-white font-text text-far">
      <label className="flex items-center gap-1.5 pr-1 pl-2.5">
        <span className="text-h2 font-normal">L*</span>
        <input
          aria-label="Tone, L*"
          aria-invalid={wrong || undefined}
          title={wrong ? `From ${LOW} to ${HIGH} L*` : undefined}
          className="num w-11 py-1 text-far font-bold text-copper-deep aria-invalid:text-ferric-deep"
          inputMode="decimal"
          value={typed}
          onChange={(event) => take(event.target.value)}
          onKeyDown={(event) => {
            const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
            if (!way) return;
            event.preventDefault();
            by(way * (event.shiftKey ? 10 : 1));
          }}
        />
      </label>
      <span className="grid border-l-2 border-ink">
        {(
          [
            ["lighter", 1, "M4 11 10 5 16 11"],
            ["darker", -1, "M4 5 10 11 16 5"],
          ] as const
        ).map(([word, step, path]) => (
          <button
            key={word}
            type="button"
            aria-label={`One L* ${word}`}
            className="px-2.5 not-first:border-t-2 not-first:border-ink pointer-coarse:min-h-8"
            onClick={() => by(step)}
          >
            <svg width="20" height="16" aria-hidden="true">
              <path d={path} className="fill-none stroke-ink" strokeWidth="2.5" />
            </svg>
          </button>
        ))}
      </span>
    </span>
  );
}
