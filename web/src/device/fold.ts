import kinds from "../api/kinds.gen.json";
import type { Run, RunState } from "../api/runs";
import { type Happened, holding, inOrder, type Notice, takenBack } from "./happened";
import { type Span, spans, withoutBounces } from "./spans";

/**
 * Fold the events of a subject into its state, by the same rules as the core's `core/events/fold.py`,
 * so that it stands without a line. `tests/golden` is replayed through both.
 */

export type Immersion = RunState["dips"][number];
type BathLine = Run["bath_line"];
type Celsius = [seconds: number, celsius: number][];

/** `areas`: names that may be open or covered, others are left out and noticed; null: any. */
export function fold(events: Happened[], bath: BathLine, areas: string[] | null = null): RunState {
  const ordered = inOrder(events);
  const gone = takenBack(ordered);
  const [pressed, bounced] = withoutBounces(holding(ordered, gone), "dip", "lift");
  const known = areas ? pressed.map((event) => withKnown(event, areas)) : pressed;
  const strange = known.filter((event, i) => event !== pressed[i]);
  const live = known.filter((event, i) => event === pressed[i] || !coversNothing(event));
  const { opened, odd } = spans(live, "dip", "lift", (lift) => lift.data?.dip, kinds.most_dips);
  const dead = celsiusOf(ordered.filter((event) => gone.has(event.id)));
  const own = celsiusOf(live);
  const line = lineOf({ own, dead, bath });
  const cared = live.filter((event) => kinds.kinds[event.kind].cares).map((e) => e.at_seconds);
  const since = Math.max(...opened.flatMap((dip) => (dip.end ? [dip.end.at_seconds] : [])));
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
      ...odd.map(([event, code]) => notice(event, code)),
    ],
  };
}

function notice(event: Happened, code: keyof typeof kinds.notices): Notice {
  return { event: event.id, code, text: kinds.notices[code] };
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

type Dip = Extract<Happened, { kind: "dip" }>;
type Open = Span<Dip>;

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

function immersion(bite: number, { event, end: lift }: Open, warm: Warmth): Immersion {
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
