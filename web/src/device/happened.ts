import kinds from "../api/kinds.gen.json";
import type { EventIn, Run, RunState } from "../api/runs";

/** Events in the order that counts, and which of them still hold; as the core's `core/events/undo.py`. */

export type Happened = (EventIn | Run["events"][number]) & { at_seconds: number };
export type Notice = RunState["notices"][number];

/** An event as this device logged it, at corrected time. */
export function happened(event: EventIn): Happened {
  return { ...event, at_seconds: (event.monotonic_ms + event.offset_ms) / 1000 };
}

const byText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);

/** Each event once, in the order that counts: time, device, its own count, id. */
export function inOrder(events: Happened[]): Happened[] {
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()].sort(
    (a, b) =>
      a.at_seconds - b.at_seconds ||
      byText(a.device, b.device) ||
      a.sequence - b.sequence ||
      byText(a.id, b.id),
  );
}

/** Ids of events that an undo which itself holds takes back; a ring of undos takes nothing back. */
export function takenBack(events: Happened[]): Set<string> {
  const target = new Map<string, string>();
  for (const event of events) if (event.kind === "undo") target.set(event.id, event.data.event);
  const unsettled = new Map<string, number>();
  for (const each of target.values()) unsettled.set(each, (unsettled.get(each) ?? 0) + 1);
  const settled = [...target.keys()].filter((undo) => !unsettled.get(undo));
  const gone = new Set<string>();
  for (const undo of settled) {
    const each = target.get(undo) as string;
    if (!gone.has(undo)) gone.add(each);
    const left = (unsettled.get(each) ?? 0) - 1;
    unsettled.set(each, left);
    if (target.has(each) && left === 0) settled.push(each);
  }
  return gone;
}

/** Events that hold, in the order that counts; undos are not among them. */
export const holding = (ordered: Happened[], gone: Set<string>): Happened[] =>
  ordered.filter((event) => !gone.has(event.id) && event.kind !== "undo");

/** The last event that can be taken back, of those sent and those that wait. */
export function lastToTakeBack(sent: Happened[], waiting: EventIn[]): Happened | undefined {
  const all = inOrder([...sent, ...waiting.map(happened)]);
  const gone = takenBack(all);
  return all.findLast((each) => kinds.kinds[each.kind].undoable && !gone.has(each.id));
}
