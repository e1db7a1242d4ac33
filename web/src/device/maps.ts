import { type IDBPDatabase, openDB } from "idb";

/**
 * Maps of runs, kept in a store of their own: the events' store need not be made anew for them, which
 * a page of an older build that is still open would hold up.
 */
const STORE = "maps";

let opened: Promise<IDBPDatabase> | null = null;

function db(): Promise<IDBPDatabase> {
  opened ??= openDB("keen-bite-maps", 1, {
    upgrade(base) {
      base.createObjectStore(STORE);
    },
  });
  return opened;
}

/** Have a run's map on this device before its first dip; one that does not come is asked for again. */
export async function haveMap(address: string): Promise<ArrayBuffer | null> {
  const kept = (await (await db()).get(STORE, address)) as ArrayBuffer | undefined;
  if (kept) return kept;
  try {
    const reply = await fetch(address, { credentials: "same-origin" });
    if (!reply.ok) return null;
    const file = await reply.arrayBuffer();
    await (await db()).put(STORE, file, address);
    return file;
  } catch {
    return null; // no line: the names stand in its place
  }
}
