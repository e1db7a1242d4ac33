import { ApiError } from "../api/client";
import { measureOffset } from "./clock";
import { dropEvents, keepEvent, waitingEvents } from "./store";
import { type Shown, sendTo } from "./subjects";
import type { Subject, Waiting } from "./waiting";

/** Told what the server shows of a subject, once it has what waited. */
export type Seen = (room: string, subject: Subject, shown: Shown[Subject["kind"]]) => void;

let sending: Promise<boolean> | null = null;
let next: Promise<boolean> | null = null;

/**
 * Send what waits, subject by subject; what the server refuses stays here with its reason.
 * One sending at a time: what was kept after it began goes with the next.
 */
export function flushAll(user: string, seen: Seen = () => {}): Promise<boolean> {
  if (!sending) return send(user, seen);
  next ??= sending
    .catch(() => false)
    .then(() => {
      next = null;
      return send(user, seen);
    });
  return next;
}

function send(user: string, seen: Seen): Promise<boolean> {
  sending = sendWaiting(user, seen).finally(() => {
    sending = null;
  });
  return sending;
}

async function sendWaiting(user: string, seen: Seen): Promise<boolean> {
  const waiting = (await waitingEvents(user)).filter((each) => !each.refused);
  if (waiting.length === 0) return false;
  await measureOffset();
  for (const subject of new Set(waiting.map((each) => each.subject.id))) {
    const mine = waiting.filter((each) => each.subject.id === subject);
    if (!(await sendOne(user, mine, seen))) return false;
  }
  return true;
}

async function sendOne(user: string, mine: Waiting[], seen: Seen): Promise<boolean> {
  const first = mine[0] as Waiting;
  try {
    const { kind, id } = first.subject;
    const events = mine.map((each) => each.event);
    const shown = await sendTo(kind, user, first.room, id, events);
    await dropEvents(mine.map((each) => each.id));
    seen(first.room, first.subject, shown);
    return true;
  } catch (error) {
    if (!(error instanceof ApiError) || ![404, 422].includes(error.status)) return false;
    return setAside(user, mine, error, seen);
  }
}

/** One event that is refused must not hold up the others: they go one by one. */
async function setAside(
  user: string,
  mine: Waiting[],
  error: ApiError,
  seen: Seen,
): Promise<boolean> {
  if (mine.length === 1) {
    await keepEvent({ ...(mine[0] as Waiting), refused: error.fault.text });
    return true;
  }
  for (const each of mine) {
    if (!(await sendOne(user, [each], seen))) return false;
  }
  return true;
}
