import kinds from "../api/kinds.gen.json";
import type { MarksState } from "../api/marks";
import { type Happened, holding, inOrder, type Notice, takenBack } from "./happened";
import { spans, withoutBounces } from "./spans";

/**
 * Fold the events of a scratched plate into its state, by the same rules as the core's
 * `core/events/marks_fold.py`. `tests/golden` is replayed through both.
 */

type Of<K extends Happened["kind"]> = Extract<Happened, { kind: K }>;
type Sitting = MarksState["sittings"][number];
type Impression = MarksState["impressions"][number];

const READ_SPREAD = 0.8;

export function foldMarks(events: Happened[]): MarksState {
  const ordered = inOrder(events);
  const gone = takenBack(ordered);
  const [live, bounced] = withoutBounces(holding(ordered, gone), "sat-down", "got-up");
  const { opened, odd } = spans(
    live,
    "sat-down",
    "got-up",
    (end) => end.data?.sat,
    kinds.most_sittings,
  );
  const sittings = opened.map(({ event, end }) => ({
    event: event.id,
    work: event.data?.work ?? "hatching",
    at_seconds: event.at_seconds,
    ended_seconds: end ? Math.max(event.at_seconds, end.at_seconds) : null,
  }));
  const pulls = all(live, "pulled");
  const impressions = impressionsIn(live, pulls.slice(0, kinds.most_impressions));
  const slips = slipsIn(live);
  const unknown = [...namelessIn(live, impressions), ...unmended(live, slips)];
  return {
    sittings,
    ...sharpenedIn(live, sittings),
    groups: groupsIn(live),
    slips,
    impressions,
    scratched_again: againIn(live, impressions),
    steel_faced: all(live, "steel-faced").at(-1)?.data?.faced ?? hasSteel(live),
    notices: [
      ...ordered.filter((e) => gone.has(e.id)).map((e) => notice(e, "undone")),
      ...bounced.map((e) => notice(e, "pressed-twice")),
      ...odd.map(([event, code]) => notice(event, code)),
      ...pulls.slice(kinds.most_impressions).map((e) => notice(e, "too-many")),
      ...unknown.map((e) => notice(e, "unknown-area")),
    ],
  };
}

const all = <K extends Happened["kind"]>(live: Happened[], kind: K): Of<K>[] =>
  live.filter((event): event is Of<K> => event.kind === kind);

const notice = (event: Happened, code: keyof typeof kinds.marks_notices): Notice => ({
  event: event.id,
  code,
  text: kinds.marks_notices[code],
});

/** An event without data says that the plate was faced. */
const hasSteel = (live: Happened[]) => all(live, "steel-faced").length > 0;

function sharpenedIn(live: Happened[], sittings: Sitting[]) {
  const worked = all(live, "sharpened").map((e) => workedBefore(sittings, e.at_seconds));
  const total = workedBefore(sittings, Number.POSITIVE_INFINITY);
  return {
    worked_seconds: total,
    since_sharpened_seconds: total - (worked.at(-1) ?? 0),
    sharpened_after: worked.map((at, i) => Math.round((at - (worked[i - 1] ?? 0)) * 1000) / 1000),
  };
}

/** How long was worked before a moment, in sittings that are over. */
const workedBefore = (sittings: Sitting[], at: number) =>
  sittings.reduce(
    (sum, each) =>
      each.ended_seconds === null
        ? sum
        : sum + Math.max(0, Math.min(each.ended_seconds, at) - each.at_seconds),
    0,
  );

function groupsIn(live: Happened[]): MarksState["groups"] {
  const last = new Map(all(live, "marked").map((e) => [e.data.group, e.data.share ?? 1]));
  return [...last].map(([group, share]) => ({ group, share }));
}

function slipsIn(live: Happened[]): MarksState["slips"] {
  const mended = new Set(all(live, "mended").map((e) => e.data.slip));
  return all(live, "slipped").map((e) => ({
    event: e.id,
    where: e.data?.where ?? "",
    mended: mended.has(e.id),
  }));
}

function unmended(live: Happened[], slips: MarksState["slips"]): Happened[] {
  const known = new Set(slips.map((each) => each.event));
  return all(live, "mended").filter((e) => !known.has(e.data.slip));
}

function impressionsIn(live: Happened[], pulls: Of<"pulled">[]): Impression[] {
  const read = new Map(all(live, "impression-read").map((e) => [e.data.pull, e.data]));
  let worn = 0;
  return pulls.map((event, i) => {
    const said = event.data ?? {};
    const own = read.get(event.id) ?? said;
    worn += said.passes ?? 1;
    return {
      event: event.id,
      number: i + 1,
      at_seconds: event.at_seconds,
      passes: said.passes ?? 1,
      worn,
      spoiled: said.spoiled ?? false,
      lstar: own.lstar ?? null,
      spread: own.spread ?? READ_SPREAD,
      note: said.note ?? "",
    };
  });
}

function namelessIn(live: Happened[], impressions: Impression[]): Happened[] {
  const known = new Set(impressions.map((each) => each.event));
  return all(live, "impression-read").filter((e) => !known.has(e.data.pull));
}

/** After how many impressions the marks were scratched again; before the first: none. */
function againIn(live: Happened[], impressions: Impression[]): number[] {
  const counts = all(live, "scratched-again").map(
    (e) => impressions.filter((each) => each.at_seconds <= e.at_seconds).length,
  );
  return [...new Set(counts.filter((count) => count > 0))].sort((a, b) => a - b);
}
