import kinds from "../api/kinds.gen.json";
import type { Batch, Pull, PullState } from "../api/editions";
import { type Happened, inOrder, type Notice, takenBack } from "./happened";

/**
 * Fold the events at the press into a plate's state, by the same rules as the core's
 * `core/events/pull_fold.py`. `tests/golden` is replayed through both.
 */

type Of<K extends Happened["kind"]> = Extract<Happened, { kind: K }>;
type OfAPull = Of<"wiped" | "wipe-again" | "laid" | "pulled" | "pull-read" | "spoiled" | "signed">;
type OfPaper = Of<"paper-in" | "paper-out" | "paper-redamped">;
type Damped = Batch & { waits: [number, number] };

const DAY = 86_400;
const OF_A_PULL = new Set([
  "wiped",
  "wipe-again",
  "laid",
  "pulled",
  "pull-read",
  "spoiled",
  "signed",
]);
const isOfAPull = (event: Happened): event is OfAPull => OF_A_PULL.has(event.kind);

export function foldPulls(events: Happened[]): PullState {
  const ordered = inOrder(events);
  const stays = signedStay(ordered);
  const asked = takenBack(ordered);
  const press = new Press();
  for (const event of ordered)
    if (asked.has(event.id)) press.note(event, stays.has(event.id) ? "signed-stays" : "undone");
  const live = ordered.filter((e) => e.kind !== "undo" && (!asked.has(e.id) || stays.has(e.id)));
  const inked = new Set(live.filter((e) => e.kind === "inked").map((e) => e.id));
  const late = live.filter((event) => !press.take(event, inked));
  for (const event of late) press.take(event, new Set());
  return press.state();
}

/** Signatures, the inkings they name and the pulls of these: no undo takes them back. */
function signedStay(ordered: Happened[]): Set<string> {
  const signed = ordered.filter((e): e is Of<"signed"> => e.kind === "signed");
  const pulls = new Set(signed.map((e) => e.data.pull));
  const made = ordered.filter((e) => e.kind === "pulled" && pulls.has(e.data?.pull ?? ""));
  return new Set([...signed.map((e) => e.id), ...pulls, ...made.map((e) => e.id)]);
}

class Press {
  batches = new Map<string, Damped>();
  pulls = new Map<string, Pull>();
  /** A second inking of one pull, by its id. */
  standsFor = new Map<string, string>();
  open: string | null = null;
  last: string | null = null;
  set: Of<"press-set">["data"] | null = null;
  map: Of<"wipe-mapped"> | null = null;
  inkedAt: number | null = null;
  cleanedAt: number | null = null;
  met: string[] = [];
  notes: PullState["notes"] = [];
  notices: Notice[] = [];

  note(event: Happened, code: keyof typeof kinds.pull_notices) {
    this.notices.push({ event: event.id, code, text: kinds.pull_notices[code] });
  }

  /** Take an event; false where what it names was inked by a clock that was ahead. */
  take(event: Happened, inked: Set<string>): boolean {
    if (isOfAPull(event)) return this.ofAPull(event, inked);
    if (event.kind === "inked") this.ink(event);
    else if (
      event.kind === "paper-in" ||
      event.kind === "paper-out" ||
      event.kind === "paper-redamped"
    )
      this.paper(event);
    else if (event.kind === "press-set") this.set = event.data;
    else if (event.kind === "wipe-mapped") this.map = event;
    else if (event.kind === "pull-noted") this.noted(event);
    else if (event.kind === "hung") this.hang(event);
    else if (event.kind === "plate-cleaned") this.cleanedAt = event.at_seconds;
    else if (event.kind === "condition-met" && !this.met.includes(event.data.approval))
      this.met.push(event.data.approval);
    return true;
  }

  private ink(event: Of<"inked">) {
    const at = this.open ? this.pulls.get(this.open) : undefined;
    this.inkedAt = event.at_seconds;
    if (at && event.at_seconds - at.inked_seconds < kinds.given_up_seconds) {
      this.standsFor.set(event.id, at.event);
      return this.note(event, "inked-already");
    }
    if (at) at.given_up = true;
    this.begin(event, event.data);
  }

  private begin(event: Happened, said: Of<"inked">["data"]) {
    this.pulls.set(event.id, {
      event: event.id,
      place: 0,
      ink: said?.ink ?? null,
      ink_name: said?.name ?? "",
      celsius: said?.celsius ?? null,
      inked_seconds: event.at_seconds,
      wiped_seconds: null,
      wipes: [],
      laid_seconds: null,
      checked: [],
      batch: null,
      damp_seconds: null,
      pulled_seconds: null,
      passes: 1,
      worn: 0,
      quarters: null,
      press: null,
      wipe_map: null,
      given_up: false,
      spoiled: null,
      series: null,
      signed: null,
      signed_seconds: null,
      before_ok: "",
      areas: [],
      seen: [],
      dries: null,
      dry_seconds: null,
      notes: [],
    });
    this.open = event.id;
    this.last = event.id;
  }

  private known(id: string | null | undefined): Pull | undefined {
    return id ? this.pulls.get(this.standsFor.get(id) ?? id) : undefined;
  }

  private ofAPull(event: OfAPull, inked: Set<string>): boolean {
    const named = event.data?.pull ?? null;
    const pull = named ? this.known(named) : this.nameless(event);
    if (!pull) {
      if (named && inked.has(named)) return false;
      this.note(event, "no-such-pull");
    } else if (event.kind === "pulled") this.pull(event, pull);
    else if (event.kind === "wiped" || event.kind === "wipe-again" || event.kind === "laid")
      this.onTheWay(event, pull);
    else this.judge(event, pull);
    return true;
  }

  /** The pull under way; one pulled without a word of its inking begins with it. */
  private nameless(event: OfAPull): Pull | undefined {
    if (!this.open && event.kind === "pulled") this.begin(event, {} as Of<"inked">["data"]);
    return this.open ? this.pulls.get(this.open) : undefined;
  }

  private onTheWay(event: Of<"wiped" | "wipe-again" | "laid">, pull: Pull) {
    const done = pull.pulled_seconds !== null;
    if (event.kind === "wipe-again" && !done) {
      pull.wiped_seconds = null;
      pull.laid_seconds = null;
    } else if (event.kind === "wiped" && !done && pull.wiped_seconds === null) {
      pull.wiped_seconds = event.at_seconds;
      pull.wipes = event.data?.passes ?? [];
      pull.wipe_map = this.map?.id ?? null;
    } else if (event.kind === "laid" && !done && pull.laid_seconds === null) {
      const batch = event.data?.batch ? this.batches.get(event.data.batch) : undefined;
      pull.laid_seconds = event.at_seconds;
      pull.checked = event.data?.checked ?? [];
      pull.batch = event.data?.batch ?? null;
      pull.damp_seconds = batch ? event.at_seconds - batch.at_seconds : null;
    } else this.note(event, "done-before");
  }

  private pull(event: Of<"pulled">, pull: Pull) {
    if (pull.pulled_seconds !== null) return this.note(event, "done-before");
    const made = [...this.pulls.values()].filter((each) => each.pulled_seconds !== null);
    if (this.open === pull.event) this.open = null;
    if (made.length >= kinds.most_impressions) return this.note(event, "too-many");
    const near = made.findLast(
      (each) =>
        Math.abs((each.pulled_seconds as number) - event.at_seconds) < kinds.same_pull_seconds,
    );
    if (near) {
      this.standsFor.set(pull.event, near.event);
      this.pulls.delete(pull.event);
      this.last = near.event;
      return this.note(event, "pulled-twice");
    }
    pull.pulled_seconds = event.at_seconds;
    pull.passes = event.data?.passes ?? 1;
    pull.given_up = false;
    pull.quarters = this.set?.quarters ?? null;
    pull.press = this.set?.press ?? null;
    if (event.data?.spoiled) pull.spoiled = event.data.note ?? "";
  }

  private judge(event: Of<"pull-read" | "spoiled" | "signed">, pull: Pull) {
    if (event.kind === "pull-read") {
      pull.areas = (event.data.areas ?? []).map((each) => ({
        ...each,
        spread: each.spread ?? 0.8,
      }));
      pull.seen = event.data.seen ?? [];
    } else if (event.kind === "spoiled") {
      pull.spoiled = event.data.reason ?? "";
      if (this.open === pull.event) this.open = null;
    } else if (pull.signed === null) {
      pull.series = event.data.series ?? "edition";
      pull.signed = event.id;
      pull.signed_seconds = event.at_seconds;
      pull.before_ok = event.data.reason ?? "";
    } else this.note(event, "done-before");
  }

  private paper(event: OfPaper) {
    if (event.kind === "paper-in") return this.damp(event);
    const batch = this.batches.get(event.data.batch);
    if (!batch) return this.note(event, "no-such-paper");
    if (event.kind === "paper-out") {
      batch.left = Math.max(0, batch.left - (event.data.pieces ?? batch.left));
      batch.out_seconds = event.at_seconds;
      return;
    }
    const [ready, latest] = batch.waits;
    batch.at_seconds = event.at_seconds;
    batch.redamped += 1;
    batch.ready_seconds = event.at_seconds + ready * kinds.redamped_share;
    batch.latest_seconds = event.at_seconds + latest;
  }

  private damp(event: Of<"paper-in">) {
    const said = event.data ?? ({} as Of<"paper-in">["data"]);
    const waits: [number, number] = [said?.ready_seconds ?? 1200, said?.latest_seconds ?? 7200];
    this.batches.set(event.id, {
      event: event.id,
      paper: said?.paper ?? null,
      name: said?.name ?? "",
      pieces: said?.pieces ?? 1,
      left: said?.pieces ?? 1,
      school: said?.school ?? "soft-soak",
      whose: said?.whose ?? "",
      at_seconds: event.at_seconds,
      ready_seconds: event.at_seconds + waits[0],
      latest_seconds: event.at_seconds + waits[1],
      redamped: 0,
      out_seconds: null,
      waits,
    });
  }

  private noted(event: Of<"pull-noted">) {
    const note = {
      event: event.id,
      at_seconds: event.at_seconds,
      text: event.data?.text ?? "",
      sound: event.data?.sound ?? null,
      sound_seconds: event.data?.seconds ?? 0,
    };
    (this.known(event.data?.pull ?? this.last)?.notes ?? this.notes).push(note);
  }

  private hang(event: Of<"hung">) {
    for (const each of event.data.pulls) {
      const pull = this.known(each);
      if (!pull) {
        this.note(event, "no-such-pull");
        continue;
      }
      pull.dries = event.data.how ?? "blotters";
      pull.dry_seconds = event.at_seconds + (event.data.days ?? 2) * DAY;
    }
  }

  state(): PullState {
    count(this.pulls);
    const open = this.open ? this.pulls.get(this.open) : undefined;
    const dirty = this.inkedAt !== null && (this.cleanedAt ?? 0) < this.inkedAt;
    return {
      batches: [...this.batches.values()].map(({ waits: _, ...batch }) => batch),
      pulls: [...this.pulls.values()],
      under_way: this.open,
      stage: stageOf(open),
      quarters: this.set?.quarters ?? null,
      passes: this.set?.passes ?? 1,
      press: this.set?.press ?? null,
      wipe_map: this.map?.id ?? null,
      patches: (this.map?.data.patches ?? []).map((each) => ({ ...each, name: each.name ?? "" })),
      dirty_since_seconds: dirty ? this.inkedAt : null,
      cleaned_seconds: this.cleanedAt,
      conditions_met: this.met,
      notes: this.notes,
      notices: this.notices,
    };
  }
}

/** Number those pulled in the order they went through, and add up the passes. */
function count(pulls: Map<string, Pull>) {
  const made = [...pulls.values()].filter((each) => each.pulled_seconds !== null);
  const at = (each: Pull) => each.pulled_seconds as number;
  made.sort((a, b) => at(a) - at(b) || (a.event < b.event ? -1 : 1));
  let worn = 0;
  made.forEach((each, i) => {
    worn += each.passes;
    each.place = i + 1;
    each.worn = worn;
  });
}

function stageOf(pull: Pull | undefined): PullState["stage"] {
  if (!pull) return "ink";
  if (pull.laid_seconds !== null) return "pull";
  return pull.wiped_seconds === null ? "wipe" : "lay";
}
