import { useState } from "react";
import { useSearchParams } from "react-router";
import type { BathPage } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { useKeys } from "../../../ui/useKeys";

export type What = "warm" | "coupon" | "patch" | "change";
const WHATS: readonly string[] = ["warm", "coupon", "patch", "change"];

const isWhat = (text: string | null): text is What => text !== null && WHATS.includes(text);

/** What is asked for on the page, and which mark of the figure is read out. */
export function useBathKeys(page: BathPage) {
  const { keeper } = useHere();
  const [search, setSearch] = useSearchParams();
  const [place, setPlace] = useState<number | null>(null);
  const said = search.get("do");
  const asked = isWhat(said) && (said !== "change" || keeper) ? said : null;
  const ask = (what: What | null) => setSearch(what ? { do: what } : {}, { replace: true });
  const open = (what: What) => (event: KeyboardEvent) => {
    event.preventDefault(); // or the letter would be typed into the field that opens
    ask(what);
  };
  const last = page.checks.length - 1;
  const walk = (by: number) => () =>
    setPlace((before) => Math.min(Math.max((before ?? last + 1) + by, 0), last));
  useKeys({
    t: open("warm"),
    w: open("coupon"),
    k: open("patch"),
    u: (event) => keeper && open("change")(event),
    ArrowLeft: walk(-1),
    ArrowRight: walk(1),
    Escape: () => ask(null),
  });
  return { asked, ask, marked: place === null ? null : (page.checks[place] ?? null) };
}
