import { useCallback, useState, useSyncExternalStore } from "react";
import { nowSeconds } from "../device/clock";

/** One ticking for all that shows the time, so that a tick is one drawing. */
type Ticker = { now: number; listeners: Set<() => void>; timer?: ReturnType<typeof setInterval> };

const TICKERS = new Map<number, Ticker>();

function tickerOf(everyMs: number): Ticker {
  let ticker = TICKERS.get(everyMs);
  if (!ticker) {
    ticker = { now: nowSeconds(), listeners: new Set() };
    TICKERS.set(everyMs, ticker);
  }
  // one that stands still is set only when a tick is missed: between drawing and hearing it must not move
  const now = nowSeconds();
  if (ticker.timer === undefined && Math.abs(now - ticker.now) * 1000 > everyMs) ticker.now = now;
  return ticker;
}

/** Call at each tick; returns how to stop. */
export function onTick(heard: () => void, everyMs: number): () => void {
  const ticker = tickerOf(everyMs);
  ticker.listeners.add(heard);
  ticker.timer ??= setInterval(() => {
    ticker.now = nowSeconds();
    for (const each of ticker.listeners) each();
  }, everyMs);
  return () => {
    ticker.listeners.delete(heard);
    if (ticker.listeners.size > 0) return;
    clearInterval(ticker.timer);
    ticker.timer = undefined;
  };
}

type Told = string | number | boolean | null;

/** What is told of the time by the server's clock; drawn again only when that changes. */
export function useNowOf<T extends Told>(told: (now: number) => T, everyMs = 250): T {
  const [ticker] = useState(() => tickerOf(everyMs));
  const subscribe = useCallback((heard: () => void) => onTick(heard, everyMs), [everyMs]);
  return useSyncExternalStore(subscribe, () => told(ticker.now));
}

/** The time by the server's clock [s since the epoch], drawn again at each tick. */
export const useNow = (everyMs = 1000): number => useNowOf((now) => now, everyMs);
