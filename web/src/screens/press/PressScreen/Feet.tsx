import type { ReactNode } from "react";
import type { Press, PullState } from "../../../api/editions";
import { TimeWord } from "../../../ui/Ticking";
import { clock } from "../../../ui/times";
import type { MarkName } from "../../../ui/Mark";
import { Big, Foot, Small } from "./Frame";
import type { Hands, Series } from "./useHands";

export type Opened = "spoiled" | "before-ok" | "read" | "note" | null;

const DONE: Record<PullState["stage"], [string, MarkName]> = {
  ink: ["Inked", "ink"],
  wipe: ["Wiped", "hand"],
  lay: ["Laid", "resting"],
  pull: ["Pulled", "press"],
};

type StepProps = {
  state: PullState;
  next: () => void;
  hands: Hands;
  since: number | null;
  note: () => void;
  busy: boolean;
  cancelled: boolean;
  children: ReactNode;
};

/** One touch to the next step; paper out or back to the wiping, a note, undo. */
export function StepFoot({
  state,
  next,
  hands,
  since,
  note,
  busy,
  cancelled,
  children,
}: StepProps) {
  const [word, mark] = DONE[state.stage];
  const bed = state.stage === "lay" || state.stage === "pull";
  return (
    <Foot>
      {children}
      <Big mark={mark} onClick={next} disabled={busy || cancelled}>
        {cancelled ? "Cancelled" : word}
      </Big>
      {bed ? (
        <Small letter="W" onClick={hands.wipeAgain}>
          Wipe again
        </Small>
      ) : (
        <Small letter="O" onClick={hands.paperOut}>
          Paper out
        </Small>
      )}
      <Small letter="N" onClick={note}>
        {since === null ? (
          "Say a note"
        ) : (
          <span className="text-vermilion">
            Stop <TimeWord told={() => clock((Date.now() - since) / 1000)} />
          </span>
        )}
      </Small>
      <Small letter="Z" onClick={hands.undo}>
        Undo last
      </Small>
    </Foot>
  );
}

type JudgeProps = {
  press: Press;
  waits: number;
  series: Series;
  sign: () => void;
  spoil: () => void;
  again: () => void;
  undo: () => void;
  children: ReactNode;
};

/** Number it, or say that it is spoiled, or go on and leave it for later. */
export function JudgeFoot({ press, waits, series, children, ...acts }: JudgeProps) {
  const word = press.order === "dried" ? "To dry" : wordOf(press, waits, series);
  return (
    <Foot>
      {children}
      <Big mark="edition" onClick={acts.sign}>
        <span className="text-far-2 max-phone:text-h1">{word}</span>
      </Big>
      <Small letter="X" onClick={acts.spoil}>
        Spoiled
      </Small>
      <Small letter="A" onClick={acts.again}>
        Pull again
      </Small>
      <Small letter="Z" onClick={acts.undo}>
        Undo last
      </Small>
    </Foot>
  );
}

/** What the big control does: a number is given now, or it is to come. */
function wordOf(press: Press, waits: number, series: Series): string {
  if (series === "artist") return "Artist's proof";
  if (series === "printer") return "Printer's proof";
  if (series === "trial") return "Trial proof";
  const toCome = waits > 0 || press.size === null || press.next_number === null;
  return toCome ? "Sign it" : `Number it ${press.next_number}`;
}
