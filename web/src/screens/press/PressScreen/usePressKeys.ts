import { useNavigate } from "react-router";
import type { Pull, PullState } from "../../../api/editions";
import { useKeys } from "../../../ui/useKeys";
import type { Opened } from "./Feet";
import type { Hands } from "./useHands";
import type { PaintingNow } from "./usePainting";

const STEP_MM = 2;

type Of = {
  /** A panel is open, or the map is painted: the foot switch must not go on. */
  quiet: boolean;
  painting: PaintingNow;
  next: () => void;
  again: () => void;
  hands: Hands;
  out: string;
  open: (what: Opened) => void;
  judge: Pull | null;
  state: PullState;
  note: () => void;
  paint: () => void;
};

/** Space or a foot switch for the big control; letters for the others. */
export function usePressKeys(of: Of): void {
  const navigate = useNavigate();
  const { quiet, painting, hands, judge } = of;
  const unless = (act: () => unknown) => (event: KeyboardEvent) => {
    if (quiet) return;
    event.preventDefault(); // or the letter would be typed into the field that opens
    act();
  };
  const move = (x: number, y: number) => (event: KeyboardEvent) => {
    if (!painting.on || painting.chosen === null) return;
    event.preventDefault();
    // mirrored, as the plate lies
    painting.move(-x * STEP_MM, y * STEP_MM);
  };
  useKeys({
    Space: (event) => {
      event.preventDefault(); // a button that has focus must not be pressed as well
      if (!quiet) of.next();
    },
    o: unless(hands.paperOut),
    w: unless(() => (of.state.stage === "lay" || of.state.stage === "pull") && hands.wipeAgain()),
    n: unless(of.note),
    z: unless(hands.undo),
    k: unless(hands.clean),
    m: unless(() => !judge && of.paint()),
    x: unless(() => judge && of.open("spoiled")),
    a: unless(of.again),
    r: unless(() => judge && of.open("read")),
    ArrowLeft: move(-1, 0),
    ArrowRight: move(1, 0),
    ArrowUp: move(0, -1),
    ArrowDown: move(0, 1),
    Delete: () => painting.on && painting.chosen !== null && painting.remove(painting.chosen),
    Escape: () => {
      if (painting.on) painting.close();
      else if (quiet) of.open(null);
      else navigate(of.out);
    },
  });
}
