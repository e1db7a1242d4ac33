import { useState } from "react";
import type { Plate } from "../api/plates";
import { Button } from "./Button";
import { CautionCard } from "./CautionCard";

type Caution = NonNullable<Plate["asks"][string]>[number];
type Props = {
  cautions: Caution[];
  what: string;
  onKnown: (keys: string[]) => void;
  onLeave: () => void;
};

/** Cautions to be known before a process begins, each acknowledged by itself. */
export function Acknowledge({ cautions, what, onKnown, onLeave }: Props) {
  const [known, setKnown] = useState<string[]>([]);
  const toggle = (key: string) =>
    setKnown(known.includes(key) ? known.filter((each) => each !== key) : [...known, key]);
  return (
    <section className="plate-mark w-full px-5 py-4" aria-label="Before you begin">
      <h2>Before you begin {what}</h2>
      {cautions.map((caution) => (
        <CautionCard key={caution.key} caution={caution}>
          <label className="flex min-h-12 items-center gap-3 font-semibold">
            <input
              type="checkbox"
              className="size-6 accent-ink"
              checked={known.includes(caution.key)}
              onChange={() => toggle(caution.key)}
            />
            I know this, and what it asks for is here
          </label>
        </CautionCard>
      ))}
      <div className="mt-3 flex flex-wrap gap-3">
        <Button
          look="bath"
          disabled={known.length < cautions.length}
          onClick={() => onKnown(known)}
        >
          Begin
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Not now
        </Button>
      </div>
    </section>
  );
}
