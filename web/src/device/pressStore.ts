import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Press } from "../api/editions";

/** Beside the first store and not in it: a page of an older version would hold up its upgrade. */
interface Pressed extends DBSchema {
  presses: { key: string; value: Press };
  sounds: { key: string; value: Spoken };
}

/** A note spoken at the press, until the server has it. */
export type Spoken = { id: string; user: string; room: string; plate: string; file: Blob };

let opened: Promise<IDBPDatabase<Pressed>> | null = null;

function db(): Promise<IDBPDatabase<Pressed>> {
  opened ??= openDB<Pressed>("keen-bite-press", 1, {
    upgrade(base) {
      base.createObjectStore("presses");
      base.createObjectStore("sounds", { keyPath: "id" });
    },
  });
  return opened;
}

export async function keepPressSeen(user: string, room: string, seen: Press): Promise<void> {
  await (await db()).put("presses", seen, `${user} ${room} ${seen.id}`);
}

export async function keptPress(
  user: string,
  room: string,
  plate: string,
): Promise<Press | undefined> {
  return (await db()).get("presses", `${user} ${room} ${plate}`);
}

export async function keepSpoken(spoken: Spoken): Promise<void> {
  await (await db()).put("sounds", spoken);
}

export async function spokenOf(user: string): Promise<Spoken[]> {
  return (await (await db()).getAll("sounds")).filter((each) => each.user === user);
}

export async function spokenHere(id: string): Promise<Spoken | undefined> {
  return (await db()).get("sounds", id);
}

export async function dropSpoken(id: string): Promise<void> {
  await (await db()).delete("sounds", id);
}
