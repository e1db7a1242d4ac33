import type { Press, PullState } from "../../../api/editions";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Key } from "../../../ui/Key";
import { Mark } from "../../../ui/Mark";
import { wallClock } from "../../../ui/times";
import { useNowOf } from "../../../ui/useNow";
import type { Hands } from "./useHands";

/** Ink on the plate: by when it must be off, until somebody says it is clean. */
export function Dirty({ press, state, hands }: { press: Press; state: PullState; hands: Hands }) {
  const { zone } = useHere();
  const since = state.dirty_since_seconds;
  const by = (since ?? 0) + press.dries_seconds;
  const late = useNowOf((now) => now > by);
  if (since === null || state.under_way) return null;
  return (
    <p
      role={late ? "alert" : undefined}
      className={`mt-4 flex flex-wrap items-center gap-x-3 gap-y-2 border-t-2 border-ink pt-3 text-h3 max-desk:mt-0 ${late ? "font-bold text-vermilion" : ""}`}
    >
      <Mark name={late ? "danger" : "care"} size={26} />
      <span className="mr-auto">
        {late
          ? "Ink is setting in the lines. Clean the plate now: soak it with solvent, a soft brush, then a rag; no scraper."
          : `Ink on the plate: the next inking, or clean it, by ${wallClock(by, zone)}.`}
      </span>
      <Button look={late ? "danger" : "plain"} onClick={hands.clean}>
        Plate cleaned <Key>K</Key>
      </Button>
    </p>
  );
}
