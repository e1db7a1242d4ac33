import type { QueryClient } from "@tanstack/react-query";
import type { Params } from "react-router";

/** Longer than that nobody waits for a page that is drawn all at once. */
const LONGEST_MS = 2_500;

type Match = { route: { handle?: unknown }; params: Params };

export type Asks = (client: QueryClient, params: Params) => Promise<unknown>[];

/** What comes after it is a task of its own: the browser may see to the page before. */
export const pause = (ms = 0) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/**
 * Ask for what the first page shows, its own code too, all at once: it is drawn a single time then, and
 * not anew at each answer. What fails or is late is left to the page itself.
 */
export async function firstAnswers(client: QueryClient, matches: Match[]): Promise<void> {
  const late = pause(LONGEST_MS);
  const asked: Promise<unknown>[] = [];
  for (const { route, params } of matches) {
    await pause();
    const { first } = (route.handle ?? {}) as { first?: Asks };
    asked.push(...(first?.(client, params) ?? []).map((each) => each.catch(() => {})));
  }
  await Promise.race([Promise.all(asked), late]);
}
