/**
 * The device's steady clock and its offset to the server's. Setting the device's wall clock moves
 * nothing: only performance.now() is read while a page lives.
 */

export type Offset = { ms: number; spreadMs: number };

const KEPT = "keen-clock";
const UNKNOWN_SPREAD_MS = 5_000;
const FRESH_MS = 10 * 60_000;

let offset: Offset | null = null;
let measuredAt = Number.NEGATIVE_INFINITY;

/** Where the server cannot be asked, its clock is taken from the device's wall clock as last seen. */
function guess(): Offset {
  const kept = JSON.parse(localStorage.getItem(KEPT) ?? "null") as { behindMs: number } | null;
  const wall = Date.now() - performance.now();
  return { ms: wall + (kept?.behindMs ?? 0), spreadMs: UNKNOWN_SPREAD_MS };
}

export function clockOffset(): Offset {
  offset ??= guess();
  return offset;
}

/** Now, by the server's clock [s since the epoch]. */
export function nowSeconds(): number {
  return (performance.now() + clockOffset().ms) / 1000;
}

/** Ask the server for its time; the quickest answer is the surest. */
export async function measureOffset(): Promise<void> {
  if (performance.now() - measuredAt < FRESH_MS) return;
  const sent = performance.now();
  const reply = await fetch("/api/clock").catch(() => null);
  if (!reply?.ok) return;
  const { now_ms } = (await reply.json()) as { now_ms: number };
  const back = performance.now();
  const next = { ms: now_ms - (sent + back) / 2, spreadMs: (back - sent) / 2 };
  if (offset === null || next.spreadMs <= Math.max(offset.spreadMs, 50)) offset = next;
  measuredAt = back;
  localStorage.setItem(
    KEPT,
    JSON.stringify({ behindMs: offset.ms - (Date.now() - performance.now()) }),
  );
}
