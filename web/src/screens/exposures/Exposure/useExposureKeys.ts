import { useState } from "react";
import type { Test } from "../../../api/exposures";
import { timesOf } from "../../../figures/exposure/field";
import type { Spot } from "../../../figures/exposure/PairField";
import { useKeys } from "../../../ui/useKeys";

export type Asked = "plan" | "measure" | "lamp" | "chart" | "change";

/** What is asked for on the page, and which patch is chosen; arrows walk the field. */
export function useExposureKeys(test: Test, keeper: boolean) {
  const [asked, ask] = useState<Asked | null>(null);
  const [spot, choose] = useState<Spot | null>(null);
  const { screen, image } = timesOf(test);
  const walk = (down: number, across: number) => (event: KeyboardEvent) => {
    event.preventDefault();
    choose((before) => ({
      screen: next(screen, before?.screen, down),
      image: next(image, before?.image, across),
    }));
  };
  const open = (what: Asked) => (event: KeyboardEvent) => {
    event.preventDefault(); // or the letter would be typed into the field that opens
    ask(what);
  };
  useKeys({
    ArrowUp: walk(-1, 0),
    ArrowDown: walk(1, 0),
    ArrowLeft: walk(0, -1),
    ArrowRight: walk(0, 1),
    Enter: (event) => {
      if (!spot || event.target instanceof HTMLAnchorElement) return;
      if (event.target instanceof HTMLButtonElement) return;
      event.preventDefault();
      document.querySelector<HTMLInputElement>("form[data-patch] input")?.focus();
    },
    n: open("plan"),
    l: open("measure"),
    h: open("chart"),
    c: open("change"),
    e: (event) => keeper && open("lamp")(event),
    Escape: () => (asked ? ask(null) : choose(null)),
  });
  return { asked, ask, spot, choose };
}

/** The next of some times; the middle one where none was chosen yet. */
function next(times: number[], now: number | undefined, by: number): number {
  if (now === undefined) return times[Math.floor(times.length / 2)] ?? 0;
  const at = times.indexOf(now) + by;
  return times[Math.min(Math.max(at, 0), times.length - 1)] ?? now;
}
