import { useKeys } from "../../../ui/useKeys";
import type { Acts } from "./useActs";

/** The keys at the bath; a foot switch types Space. */
export function useRunKeys(acts: Acts): void {
  useKeys({
    Space: (event) => {
      event.preventDefault();
      acts.main();
    },
    f: acts.care,
    t: (event) => {
      event.preventDefault(); // or the letter would be typed into the field that opens
      acts.ask("temperature");
    },
    c: acts.prepared,
    g: acts.protect,
    w: () => acts.ask("wrong"),
    k: (event) => {
      event.preventDefault(); // or the letter would be typed into the field that opens
      acts.scrap();
    },
    z: acts.undo,
    s: (event) => {
      event.preventDefault(); // or the letter would be typed into the field that opens
      acts.setAside();
    },
    Escape: () => (acts.asked ? acts.ask(null) : acts.leave()),
  });
}
