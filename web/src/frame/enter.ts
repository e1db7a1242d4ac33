import type { QueryClient } from "@tanstack/react-query";
import type { Shapes } from "../api/client";
import { sessionQuery, signIn } from "../api/session";
import { flushAll } from "../device/flush";

const DEMO = { sign_in: "keeper@lantern-quay", password: "lantern-quay" };

/** Sign in on this device, and send what waited for this person. */
export async function enter(client: QueryClient, given: Shapes["SignIn"]): Promise<void> {
  const session = await signIn(given);
  // an answer asked for before signing in, and slow to come, would sign out again
  await client.cancelQueries({ queryKey: sessionQuery.queryKey });
  client.setQueryData(sessionQuery.queryKey, session);
  localStorage.setItem("keen-me", JSON.stringify(session));
  if (session.me) flushAll(session.me.id);
}

/** Into the demo print room, where this machine serves it. */
export const openDemo = (client: QueryClient): Promise<void> => enter(client, DEMO);
