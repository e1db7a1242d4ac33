import { ApiError } from "../api/client";
import { type Run, sendRunEvents, sendStripEvents } from "../api/runs";
import { measureOffset } from "./clock";
import { dropEvents, keepEvent, keepRun, waitingEvents } from "./store";
import type { Subject, Waiting } from "./waiting";

let sending: Promise<boolean> | null = null;
let next: Promise<boolean> | null = null;

/**
 * Send what waits, subject by subject; what the server refuses stays here with its reason.
 * One sending at a time: what was kept after it began goes with the next.
 */
export function flushAll(
  user: string,
  seen: (room: string, run: Run) => void = () => {},
): Promise<boolean> {
  if (!sending) return send(user, seen);
  next ??= sending
    .catch(() => false)
    .then(() => {
      next = null;
      return send(user, seen);
    });
  return next;
}

function send(user: string, seen: (room: string, run: Run) => void): Promise<boolean> {
  sending = sendWaiting(user, seen).finally(() => {
    sending = null;
  });
  return sending;
}

async function sendWaiting(user: string, seen: (room: string, run: Run) => void): Promise<boolean> {
  const waiting = (await waitingEvents(user)).filter((each) => !each.refused);
  if (waiting.length === 0) return false;
  await measureOffset();
  for (const subject of new Set(waiting.map((each) => each.subject.id))) {
    const mine = waiting.filter((each) => each.subject.id === subject);
    if (!(await sendRun(user, mine, seen))) return false;
  }
  return true;
}

/** One endpoint shape for all subjects. */
const SEND: Record<Subject["kind"], typeof sendRunEvents> = {
  run: sendRunEvents,
  strip: sendStripEvents,
};

async function sendRun(
  user: string,
  mine: Waiting[],
  seen: (room: string, run: Run) => void,
): Promise<boolean> {
  const first = mine[0] as Waiting;
  try {
    const run = await SEND[first.subject.kind](
      first.room,
      first.subject.id,
      mine.map((each) => each.event),
    );
    await keepRun(user, first.room, run);
    await dropEvents(mine.map((each) => each.id));
    seen(first.room, run);
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
  seen: (room: string, run: Run) => void,
): Promise<boolean> {
  if (mine.length === 1) {
    await keepEvent({ ...(mine[0] as Waiting), refused: error.fault.text });
    return true;
  }
  for (const each of mine) {
    if (!(await sendRun(user, [each], seen))) return false;
  }
  return true;
}
