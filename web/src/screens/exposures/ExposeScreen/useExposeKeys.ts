import { useKeys } from "../../../ui/useKeys";
import type { Acts } from "./useExposeActs";

/** The keys at the lamp; a foot switch types Space. */
export function useExposeKeys(acts: Acts): void {
  const open = (act: () => void) => (event: KeyboardEvent) => {
    event.preventDefault(); // or the letter would be typed into the field that opens
    act();
  };
  useKeys({
    Space: (event) => {
      event.preventDefault();
      acts.main();
    },
    c: acts.allRight,
    p: acts.pass,
    t: open(() => acts.ask("water")),
    z: acts.undo,
    s: open(acts.setAside),
    Escape: () => (acts.asked ? acts.ask(null) : acts.leave()),
  });
}
