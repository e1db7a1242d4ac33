import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Work } from "../api/works";

/** Beside the other stores and not in one: a page of an older version would hold up its upgrade. */
interface Worked extends DBSchema {
  works: { key: string; value: Work };
}

let opened: Promise<IDBPDatabase<Worked>> | null = null;

function db(): Promise<IDBPDatabase<Worked>> {
  opened ??= openDB<Worked>("keen-bite-works", 1, {
    upgrade(base) {
      base.createObjectStore("works");
    },
  });
  return opened;
}

export async function keepWorkSeen(user: string, room: string, seen: Work): Promise<void> {
  await (await db()).put("works", seen, `${user} ${room} ${seen.id}`);
}

export async function keptWork(
  user: string,
  room: string,
  work: string,
): Promise<Work | undefined> {
  return (await db()).get("works", `${user} ${room} ${work}`);
}
