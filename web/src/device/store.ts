import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Exposure } from "../api/exposures";
import type { Marks } from "../api/marks";
import type { Run } from "../api/runs";
import { runAsNow, type StoredOnce, waitingAsNow } from "./upgrade";
import type { Waiting } from "./waiting";

interface Kept extends DBSchema {
  events: { key: string; value: Waiting | StoredOnce };
  runs: { key: string; value: Run };
}

/** Beside the first and not in it: a page of an older version that stands open would hold up its upgrade. */
interface Lit extends DBSchema {
  exposures: { key: string; value: Exposure };
}

interface Scratched extends DBSchema {
  marks: { key: string; value: Marks };
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

let openedLit: Promise<IDBPDatabase<Lit>> | null = null;

function lit(): Promise<IDBPDatabase<Lit>> {
  openedLit ??= openDB<Lit>("keen-bite-light", 1, {
    upgrade(base) {
      base.createObjectStore("exposures");
    },
  });
  return openedLit;
}

let openedScratched: Promise<IDBPDatabase<Scratched>> | null = null;

function scratched(): Promise<IDBPDatabase<Scratched>> {
  openedScratched ??= openDB<Scratched>("keen-bite-marks", 1, {
    upgrade(base) {
      base.createObjectStore("marks");
    },
  });
  return openedScratched;
}

export async function keepEvent(waiting: Waiting): Promise<void> {
  await (await db()).put("events", waiting);
}

export async function waitingEvents(user: string): Promise<Waiting[]> {
  const all = await allWaiting();
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
  const kept = await (await db()).get("runs", `${user} ${room} ${run}`);
  return kept && runAsNow(kept);
}

/** All runs that this device has seen, whoever looked at them. */
export async function keptRuns(): Promise<Run[]> {
  return (await (await db()).getAll("runs")).map(runAsNow);
}

/** All events that wait to be sent, whoever logged them. */
export async function allWaiting(): Promise<Waiting[]> {
  return (await (await db()).getAll("events")).map(waitingAsNow);
}

export async function keepExposure(user: string, room: string, seen: Exposure): Promise<void> {
  await (await lit()).put("exposures", seen, `${user} ${room} ${seen.id}`);
}

export async function keptExposure(
  user: string,
  room: string,
  exposure: string,
): Promise<Exposure | undefined> {
  return (await lit()).get("exposures", `${user} ${room} ${exposure}`);
}

/** All exposures that this device has seen, whoever looked at them. */
export async function keptExposures(): Promise<Exposure[]> {
  return (await lit()).getAll("exposures");
}

export async function keepMarksSeen(user: string, room: string, seen: Marks): Promise<void> {
  await (await scratched()).put("marks", seen, `${user} ${room} ${seen.id}`);
}

export async function keptMarks(
  user: string,
  room: string,
  plate: string,
): Promise<Marks | undefined> {
  return (await scratched()).get("marks", `${user} ${room} ${plate}`);
}
