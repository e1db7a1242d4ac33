import type { QueryClient } from "@tanstack/react-query";
import { matchRoutes, type Params } from "react-router";
import { ROUTES } from "./routes";

/** Longer than that nobody waits for a page that is drawn all at once. */
const LONGEST_MS = 2_500;

export type Asks = (client: QueryClient, params: Params) => Promise<unknown>[];

/** What comes after it is a task of its own: the browser may see to the page before. */
export const pause = (ms = 0) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/**
 * Ask for what the first page shows, its own code too, all at once: it is drawn a single time then, and
 * not anew at each answer. What fails or is late is left to the page itself.
 */
export async function firstAnswers(client: QueryClient, path: string): Promise<void> {
  const late = pause(LONGEST_MS);
  const asked: Promise<unknown>[] = [];
  for (const { route, params } of matchRoutes(ROUTES, path) ?? []) {
    await pause();
    asked.push(...(((route.handle ?? {}) as { first?: Asks }).first?.(client, params) ?? []));
  }
  await Promise.race([Promise.allSettled(asked), late]);
}
