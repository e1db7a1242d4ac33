import { clock } from "./times";
import { useNowOf } from "./useNow";

/** What is left until a time, or by how much it is over. */
export const leftUntil = (at: number, now: number): string =>
  at >= now ? clock(Math.ceil(at - now)) : `+${clock(now - at)}`;

/** Digits that count down to a time and on past it; only they are drawn again. */
export function LeftUntil({ at, className = "" }: { at: number; className?: string }) {
  const text = useNowOf((now) => leftUntil(at, now));
  return <span className={`num ${className}`}>{text}</span>;
}

/** A word that follows the time. */
export function TimeWord({ told }: { told: (now: number) => string }) {
  return <>{useNowOf(told)}</>;
}
