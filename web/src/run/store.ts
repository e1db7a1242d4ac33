import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { EventIn, Run } from "../api/runs";

/** An event that waits to be sent; kept per user, room and run until the server has it. */
export type Waiting = {
  id: string;
  user: string;
  room: string;
  run: string;
  at: number;
  event: EventIn;
  refused?: string;
};

interface Kept extends DBSchema {
  events: { key: string; value: Waiting };
  runs: { key: string; value: Run };
}

let opened: Promise<IDBPDatabase<Kept>> | null = null;

function db(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>("keen-bite", 1, {
    upgrade(base) {
      base.createObjectStore("events", { keyPath: "id" });
      base.createObjectStore("runs");
    },
  });
  return opened;
}

export async function keepEvent(waiting: Waiting): Promise<void> {
  await (await db()).put("events", waiting);
}

export async function waitingEvents(user: string): Promise<Waiting[]> {
  const all = await (await db()).getAll("events");
  return all.filter((each) => each.user === user).sort((a, b) => a.at - b.at);
}

export async function dropEvents(ids: string[]): Promise<void> {
  const transaction = (await db()).transaction("events", "readwrite");
  await Promise.all(ids.map((id) => transaction.store.delete(id)));
  await transaction.done;
}

export async function keepRun(user: string, room: string, run: Run): Promise<void> {
  await (await db()).put("runs", run, `${user} ${room} ${run.id}`);
}

export async function keptRun(user: string, room: string, run: string): Promise<Run | undefined> {
  return (await db()).get("runs", `${user} ${room} ${run}`);
}
