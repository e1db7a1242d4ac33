import { useState } from "react";
import { useNavigate } from "react-router";
import type { WallStrip } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { useKeys } from "../../../ui/useKeys";
import type { Bath } from "./Compared";
import type { Picked } from "./Hung";

/** The wall under the hand: which strip is at hand, which two are compared, and in which bath. */
export function useWall(strips: WallStrip[]) {
  const { room } = useHere();
  const navigate = useNavigate();
  const [at, setAt] = useState<number | null>(null);
  const [chosen, setChosen] = useState<string[] | null>(null);
  const [bath, setBath] = useState<Bath>("one bath");
  const two = (chosen ?? firstTwo(strips)).flatMap((id) => strips.filter((s) => s.id === id));
  const pick = (id: string) => {
    const now = two.map((strip) => strip.id);
    setChosen(now.includes(id) ? now.filter((each) => each !== id) : [...now.slice(-1), id]);
  };
  const current = at === null ? undefined : strips[at];
  const step = (by: number) => (event: KeyboardEvent) => {
    event.preventDefault();
    setAt((now) => Math.min(strips.length - 1, Math.max(0, (now ?? -1) + by)));
  };
  useKeys({
    ArrowDown: step(1),
    ArrowUp: step(-1),
    Space: (event) => {
      if (!current || !isLoose(event)) return;
      event.preventDefault();
      if (current.usable) pick(current.id);
    },
    Enter: (event) => {
      if (current && isLoose(event)) navigate(`/r/${room}/strips/${current.id}`);
    },
    a: () => setBath((now) => (now === "one bath" ? "as bitten" : "one bath")),
    n: () => navigate(`/r/${room}/strips/bite`),
  });
  const placeOf = (strip: WallStrip): Picked =>
    two[0]?.id === strip.id ? "first" : two[1]?.id === strip.id ? "second" : null;
  return { current, two, pick, placeOf, bath, setBath };
}

/** Nothing that takes the key itself has the focus. */
const isLoose = (event: KeyboardEvent) =>
  !(event.target instanceof HTMLElement && event.target.closest("a, button"));

/** The strip to trust first, and the next of its ground: what one asks most often. */
function firstTwo(strips: WallStrip[]): string[] {
  const first = strips.find((strip) => strip.leads);
  if (!first) return [];
  const second = strips.find(
    (strip) =>
      strip.id !== first.id &&
      strip.usable &&
      strip.mordant === first.mordant &&
      strip.ground === first.ground,
  );
  return second ? [first.id, second.id] : [first.id];
}
