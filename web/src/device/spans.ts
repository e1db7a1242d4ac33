import kinds from "../api/kinds.gen.json";
import type { Happened } from "./happened";

/** Why an event of something that lasts has no effect. */
type SpanCode = keyof typeof kinds.notices;

/**
 * What lasts from one event to another, by the same rules as the core's `core/events/spans.py`: two
 * devices may both say that it began, the first counts, and the end of either ends it.
 */

type Kind = Happened["kind"];
type Of<K extends Kind> = Extract<Happened, { kind: K }>;

export type Span<Begin extends Happened> = {
  event: Begin;
  names: Set<string>;
  end: Happened | null;
};

/** Events without the beginning or end of a press that bounced, and those. */
export function withoutBounces(
  live: Happened[],
  begins: Kind,
  ends: Kind,
): [Happened[], Happened[]] {
  const [kept, bounced]: [Happened[], Happened[]] = [[], []];
  let last: Happened | null = null;
  for (const event of live) {
    if (event.kind !== begins && event.kind !== ends) kept.push(event);
    else if (last && samePress(last, event)) bounced.push(event);
    else {
      kept.push(event);
      last = event;
    }
  }
  return [kept, bounced];
}

function samePress(first: Happened, second: Happened): boolean {
  return (
    second.at_seconds - first.at_seconds < kinds.same_press_seconds &&
    first.device === second.device &&
    first.kind !== second.kind
  );
}

/** What lasted, one after another, and the events without effect with why. */
export function spans<B extends Kind, E extends Kind>(
  live: Happened[],
  begins: B,
  ends: E,
  named: (end: Of<E>) => string | null | undefined,
  most: number,
): { opened: Span<Of<B>>[]; odd: [Happened, SpanCode][] } {
  const all = live
    .filter((event): event is Of<E> => event.kind === ends)
    .map((event) => ({ event, of: named(event) ?? "" }));
  const opened: Span<Of<B>>[] = [];
  const odd: [Happened, SpanCode][] = [];
  const refused = new Set<string>();
  for (const event of live.filter((each): each is Of<B> => each.kind === begins)) {
    const last = opened.at(-1);
    if (last && !(last.end && last.end.at_seconds <= event.at_seconds)) {
      last.names.add(event.id);
      last.end = earlier(last.end, endOf(event, all, last.event));
      odd.push([event, "already-in-bath"]);
    } else if (opened.length === most) {
      refused.add(event.id);
      odd.push([event, "too-many"]);
    } else {
      opened.push({ event, names: new Set([event.id]), end: endOf(event, all, event) });
    }
  }
  const used = new Set(opened.map((span) => span.end?.id));
  for (const end of all)
    if (!used.has(end.event.id)) odd.push([end.event, whyNot(end, opened, refused)]);
  return { opened, odd };
}

type End = { event: Happened; of: string };

function whyNot({ event, of }: End, opened: Span<Happened>[], refused: Set<string>): SpanCode {
  if (refused.has(of)) return "too-many";
  const mine = of
    ? opened.find((span) => span.names.has(of))
    : opened.find((span) => !span.end && span.event.at_seconds <= event.at_seconds);
  if (!mine) return "lift-waits-for-dip";
  return inTime(mine.event, event) ? "second-lift" : "too-long";
}

/** An end that comes later than anything can last is no end of it. */
const inTime = (begin: Happened, end: Happened) =>
  end.at_seconds <= begin.at_seconds + kinds.longest_seconds;

function earlier(a: Happened | null, b: Happened | null): Happened | null {
  if (!a || !b) return a ?? b;
  return b.at_seconds < a.at_seconds ? b : a;
}

/** `first` is the beginning that counts: a second one said of it makes nothing longer. */
function endOf(begin: Happened, all: End[], first: Happened): Happened | null {
  const ends = all.filter((end) => inTime(first, end.event));
  return (
    ends.find((end) => end.of === begin.id)?.event ??
    ends.find((end) => !end.of && end.event.at_seconds >= begin.at_seconds)?.event ??
    null
  );
}
