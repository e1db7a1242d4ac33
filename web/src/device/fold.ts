import kinds from "../api/kinds.gen.json";
import type { EventIn, Run, RunState } from "../api/runs";

/**
 * Fold the events of a subject into its state, by the same rules as the core's `core/events/fold.py`,
 * so that it stands without a line. `tests/golden` is replayed through both.
 */

export type Happened = (EventIn | Run["events"][number]) & { at_seconds: number };
export type Immersion = RunState["dips"][number];
type Notice = RunState["notices"][number];
type BathLine = Run["bath_line"];
type Celsius = [seconds: number, celsius: number][];

/** An event as this device logged it, at corrected time. */
export function happened(event: EventIn): Happened {
  return { ...event, at_seconds: (event.monotonic_ms + event.offset_ms) / 1000 };
}

/** `areas`: names that may be open or covered, others are left out and noticed; null: any. */
export function fold(events: Happened[], bath: BathLine, areas: string[] | null = null): RunState {
  const ordered = inOrder(events);
  const gone = takenBack(ordered);
  const [pressed, bounced] = withoutBounces(
    ordered.filter((event) => !gone.has(event.id) && event.kind !== "undo"),
  );
  const known = areas ? pressed.map((event) => withKnown(event, areas)) : pressed;
  const strange = known.filter((event, i) => event !== pressed[i]);
  const live = known.filter((event, i) => event === pressed[i] || !coversNothing(event));
  const { opened, notices } = immersions(live);
  const dead = celsiusOf(ordered.filter((event) => gone.has(event.id)));
  const own = celsiusOf(live);
  const line = lineOf({ own, dead, bath });
  const cared = live.filter((event) => kinds.kinds[event.kind].cares).map((e) => e.at_seconds);
  const since = Math.max(...opened.flatMap((dip) => (dip.lift ? [dip.lift.at_seconds] : [])));
  const after = new Set(live.filter((e) => !(e.at_seconds < since)).map((e) => e.kind));
  const last = line.at(-1);
  return {
    dips: opened.map((dip, i) => immersion(i + 1, dip, { own, dead, bath, line })),
    ...lastWords(live),
    temperature_c: last ? last[1] : null,
    temperature_at_seconds: last ? last[0] : null,
    last_cared_seconds: cared.length > 0 ? Math.max(...cared) : null,
    protected: live.some((event) => event.kind === "protected"),
    scraps: scrapsOf(live),
    rinsed: after.has("rinsed"),
    neutralised: after.has("neutralised"),
    covered_since_lift: after.has("covered"),
    observed: observedSince(live, Math.max(since, ...opened.map((dip) => dip.event.at_seconds))),
    notices: [
      ...ordered.filter((e) => gone.has(e.id)).map((e) => notice(e, "undone")),
      ...bounced.map((e) => notice(e, "pressed-twice")),
      ...strange.map((e) => notice(e, "unknown-area")),
      ...notices,
    ],
  };
}

function notice(event: Happened, code: Notice["code"]): Notice {
  return { event: event.id, code, text: kinds.notices[code] };
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

/** Events without the dip or lift of a press that bounced, and those. */
function withoutBounces(live: Happened[]): [Happened[], Happened[]] {
  const [kept, bounced]: [Happened[], Happened[]] = [[], []];
  let last: Happened | null = null;
  for (const event of live) {
    if (event.kind !== "dip" && event.kind !== "lift") kept.push(event);
    else if (last && samePress(last, event)) bounced.push(event);
    else {
      kept.push(event);
      last = event;
    }
  }
  return [kept, bounced];
}

/** What each area was last said to be: covered, or opened. */
function lastWords(live: Happened[]): Pick<RunState, "covered" | "opened"> {
  const words = new Map<string, Happened["kind"]>();
  for (const event of live)
    if (event.kind === "covered" || event.kind === "opened")
      for (const name of event.data.areas) words.set(name, event.kind);
  const named = (kind: Happened["kind"]) =>
    [...words].filter(([, word]) => word === kind).map(([name]) => name);
  return { covered: named("covered"), opened: named("opened") };
}

/** What was seen or felt since the last dip or lift. */
function observedSince(live: Happened[], since: number): string[] {
  const said = live.flatMap((e) =>
    e.kind === "observation" && !(e.at_seconds < since)
      ? [`${e.data.about ?? ""} ${e.data.text}`.trim()]
      : [],
  );
  return [...new Set(said)];
}

const coversNothing = (event: Happened) =>
  (event.kind === "covered" || event.kind === "opened") && event.data.areas.length === 0;

function withKnown(event: Happened, areas: string[]): Happened {
  const known = (names: string[]) => names.filter((each) => areas.includes(each));
  if (event.kind === "dip" && known(event.data.open).length < event.data.open.length)
    return { ...event, data: { ...event.data, open: known(event.data.open) } };
  if (event.kind !== "covered" && event.kind !== "opened") return event;
  if (known(event.data.areas).length < event.data.areas.length)
    return { ...event, data: { ...event.data, areas: known(event.data.areas) } };
  return event;
}

function samePress(first: Happened, second: Happened): boolean {
  return (
    second.at_seconds - first.at_seconds < kinds.same_press_seconds &&
    first.device === second.device &&
    first.kind !== second.kind
  );
}

type Dip = Extract<Happened, { kind: "dip" }>;
type Lift = Extract<Happened, { kind: "lift" }>;
type Open = { event: Dip; names: Set<string>; lift: Lift | null };

/** Two devices may both say "dip" for one immersion: the first counts, either may lift. */
function immersions(live: Happened[]): { opened: Open[]; notices: Notice[] } {
  const lifts = live.filter((event) => event.kind === "lift");
  const opened: Open[] = [];
  const notices: Notice[] = [];
  const refused = new Set<string>();
  for (const event of live.filter((each) => each.kind === "dip")) {
    const last = opened.at(-1);
    if (last && !(last.lift && last.lift.at_seconds <= event.at_seconds)) {
      last.names.add(event.id);
      last.lift = earlier(last.lift, liftOf(event, lifts, last.event));
      notices.push(notice(event, "already-in-bath"));
    } else if (opened.length === kinds.most_dips) {
      refused.add(event.id);
      notices.push(notice(event, "too-many"));
    } else {
      opened.push({ event, names: new Set([event.id]), lift: liftOf(event, lifts, event) });
    }
  }
  const used = new Set(opened.map((dip) => dip.lift?.id));
  const others = lifts.filter((lift) => !used.has(lift.id));
  return { opened, notices: [...notices, ...others.map((l) => liftNotice(l, opened, refused))] };
}

function liftNotice(lift: Lift, opened: Open[], refused: Set<string>): Notice {
  const named = dipOf(lift);
  if (refused.has(named)) return notice(lift, "too-many");
  const mine = named
    ? opened.find((dip) => dip.names.has(named))
    : opened.find((dip) => !dip.lift && dip.event.at_seconds <= lift.at_seconds);
  if (!mine) return notice(lift, "lift-waits-for-dip");
  return notice(lift, inTime(mine.event, lift) ? "second-lift" : "too-long");
}

const dipOf = (lift: Lift) => lift.data?.dip ?? "";

/** A lift that comes later than a bite can last is no lift of it. */
const inTime = (dip: Dip, lift: Lift) => lift.at_seconds <= dip.at_seconds + kinds.longest_seconds;

function earlier(a: Lift | null, b: Lift | null): Lift | null {
  if (!a || !b) return a ?? b;
  return b.at_seconds < a.at_seconds ? b : a;
}

/** `first` is the dip the plate went in with: a second one said of it makes no bite longer. */
function liftOf(dip: Dip, all: Lift[], first: Dip): Lift | null {
  const lifts = all.filter((lift) => inTime(first, lift));
  return (
    lifts.find((lift) => dipOf(lift) === dip.id) ??
    lifts.find((lift) => !dipOf(lift) && lift.at_seconds >= dip.at_seconds) ??
    null
  );
}

function celsiusOf(events: Happened[]): Celsius {
  return events.flatMap(
    (e): Celsius => (e.kind === "temperature" ? [[e.at_seconds, e.data.celsius]] : []),
  );
}

type Warmth = { own: Celsius; dead: Celsius; bath: BathLine; line: Celsius };

/** A reading that comes back by way of its bath is the same to so much: times are rounded. */
const ONE_READING_SECONDS = 0.01;

/** All that is known of the bath's temperature, oldest first: what others read, too. */
function lineOf({ own, dead, bath }: Omit<Warmth, "line">): Celsius {
  const known = [...own, ...dead];
  const others = bath.filter(
    ([at, celsius]) =>
      !known.some(([when, c]) => c === celsius && Math.abs(when - at) < ONE_READING_SECONDS),
  );
  return [...own, ...others].sort(([a, x], [b, y]) => a - b || x - y);
}

/** The last companion scrap read of each bite. */
function scrapsOf(live: Happened[]): RunState["scraps"] {
  const read = new Map<number, RunState["scraps"][number]>();
  for (const event of live)
    if (event.kind === "scrap") {
      const { after, lstar, spread = null } = event.data;
      read.set(after, { event: event.id, at_seconds: event.at_seconds, after, lstar, spread });
    }
  return [...read.values()].sort((a, b) => a.after - b.after);
}

/** What a dip begins at: read here, else as the device had it, else as others read the bath. */
function celsiusAtDip(dip: Dip, { own, dead, bath, line }: Warmth): number | null {
  const before = (line: Celsius) => line.filter(([at]) => at <= dip.at_seconds);
  if (before(own).length > 0) return before(line).at(-1)?.[1] ?? null;
  const said = dip.data.celsius ?? null;
  if (said !== null && !before(dead).some(([, celsius]) => celsius === said)) return said;
  return (before(bath).at(-1) ?? bath[0])?.[1] ?? null;
}

function immersion(bite: number, { event, lift }: Open, warm: Warmth): Immersion {
  const start = event.at_seconds;
  const end = lift ? lift.at_seconds : null;
  const begins = celsiusAtDip(event, warm);
  const during = warm.line.filter(([at]) => at > start && (end === null || at <= end));
  const first: Celsius = begins === null ? [] : [[0, begins]];
  return {
    event: event.id,
    bite,
    at_seconds: start,
    lifted_seconds: end === null ? null : Math.max(start, end),
    open: event.data.open,
    temperatures: [...first, ...during.map(([at, c]): [number, number] => [at - start, c])],
  };
}
