import kinds from "../api/kinds.gen.json";
import type { Sheet, WorkState } from "../api/works";
import { type Happened, holding, inOrder, type Notice, takenBack } from "./happened";

/**
 * Fold the events of a work's sheets into its state, by the same rules as the core's
 * `core/events/sheet_fold.py`. `tests/golden` is replayed through both.
 */

type Of<K extends Happened["kind"]> = Extract<Happened, { kind: K }>;
type Inking = WorkState["inkings"][number];
type Move = WorkState["moves"][number];
type OfASheet = Of<
  "sheet-measured" | "crosses-read" | "sheet-approved" | "pull-read" | "spoiled" | "signed"
>;

const DAY = 86_400;
const OF_A_SHEET = new Set([
  "sheet-measured",
  "crosses-read",
  "sheet-approved",
  "pull-read",
  "spoiled",
  "signed",
]);
const isOfASheet = (event: Happened): event is OfASheet => OF_A_SHEET.has(event.kind);

export function foldWork(events: Happened[]): WorkState {
  const ordered = inOrder(events);
  const stays = signedStay(ordered);
  const asked = takenBack(ordered);
  const work = new Work();
  for (const event of ordered)
    if (asked.has(event.id)) work.note(event, stays.has(event.id) ? "signed-stays" : "undone");
  const gone = new Set([...asked].filter((each) => !stays.has(each)));
  const live = holding(ordered, gone);
  for (const event of live) work.layOut(event);
  for (const event of live) work.take(event);
  return work.state();
}

/** Signatures, the sheets they name and what is printed on these: no undo takes them back. */
function signedStay(ordered: Happened[]): Set<string> {
  const signed = ordered.filter((e): e is Of<"signed"> => e.kind === "signed");
  const sheets = new Set(signed.map((e) => e.data.pull));
  const made = ordered.filter((e) => e.kind === "layer-printed" && sheets.has(e.data.sheet));
  return new Set([...signed.map((e) => e.id), ...sheets, ...made.map((e) => e.id)]);
}

const tidy = (value: number) => Math.round(value * 1000) / 1000 || 0;

class Work {
  sheets = new Map<string, Sheet>();
  inkings = new Map<string, Inking>();
  joined: { members: string[]; name: string }[] = [];
  moves = new Map<string, Move>();
  plates = new Map<string, WorkState["plates"][number]>();
  followed = new Map<string, Set<number>>();
  approved: Of<"sheet-approved"> | null = null;
  met: string[] = [];
  notes: WorkState["notes"] = [];
  notices: Notice[] = [];

  note(event: Happened, code: keyof typeof kinds.work_notices) {
    this.notices.push({ event: event.id, code, text: kinds.work_notices[code] });
  }

  /** Take what others name: sheets and inkings. */
  layOut(event: Happened) {
    if (event.kind === "sheet-begun") return this.begin(event);
    if (event.kind !== "layer-inked") return;
    const said = event.data;
    for (const each of this.inkings.values()) if (each.layer === said.layer) each.over = true;
    this.inkings.set(event.id, {
      event: event.id,
      layer: said.layer,
      name: said.name ?? "",
      plate: said.plate ?? null,
      ink_name: said.ink_name ?? "",
      at_seconds: event.at_seconds,
      sheets: [],
      over: false,
    });
  }

  /** Take what happened to sheets and layers. */
  take(event: Happened) {
    if (event.kind === "layer-printed") this.print(event);
    else if (isOfASheet(event)) this.ofASheet(event);
    else if (event.kind === "hung") this.hang(event);
    else if (event.kind === "sheets-joined") this.join(event);
    else if (event.kind === "pull-noted") this.noted(event);
    else if (event.kind === "condition-met") {
      if (!this.met.includes(event.data.approval)) this.met.push(event.data.approval);
    } else this.ofALayer(event);
  }

  private begin(event: Of<"sheet-begun">) {
    if (this.sheets.size >= kinds.most_impressions) return this.note(event, "too-many");
    this.sheets.set(event.id, {
      event: event.id,
      place: this.sheets.size + 1,
      name: event.data?.name ?? "",
      began_seconds: event.at_seconds,
      paper: event.data?.paper ?? null,
      sheet_mm: event.data?.sheet_mm ?? null,
      prints: [],
      printed_seconds: null,
      crosses: null,
      areas: [],
      seen: [],
      family: null,
      spoiled: null,
      series: null,
      signed: null,
      signed_seconds: null,
      before_ok: "",
      dries: null,
      dry_seconds: null,
      notes: [],
    });
  }

  private print(event: Of<"layer-printed">) {
    const said = event.data;
    const sheet = this.sheets.get(said.sheet);
    if (!sheet) return this.note(event, "no-such-sheet");
    const before = sheet.prints.filter((each) => each.layer === said.layer);
    if (before.some((each) => event.at_seconds - each.at_seconds < kinds.same_pull_seconds))
      return this.note(event, "printed-twice");
    if (before.length > 0) this.note(event, "layer-twice");
    const inking = this.inking(event);
    inking?.sheets.push(said.sheet);
    sheet.prints.push({
      event: event.id,
      layer: said.layer,
      name: said.name ?? "",
      at_seconds: event.at_seconds,
      inking: inking?.event ?? null,
      pull: inking?.sheets.length ?? 0,
      plate: said.plate ?? null,
      state: said.state ?? "",
      damp: said.damp ?? "same",
      sheet_mm: said.sheet_mm ?? null,
    });
    sheet.printed_seconds = event.at_seconds;
    sheet.sheet_mm = said.sheet_mm ?? sheet.sheet_mm;
  }

  /** The inking a print comes from: the one it names, unless it was inked anew. */
  private inking(event: Of<"layer-printed">): Inking | null {
    const said = event.data;
    const known = said.inking ? this.inkings.get(said.inking) : undefined;
    const named = known?.layer === said.layer ? known : undefined;
    if (said.inking && !named) this.note(event, "no-such-inking");
    const latest =
      [...this.inkings.values()].findLast(
        (each) => each.layer === said.layer && each.at_seconds <= event.at_seconds,
      ) ?? null;
    if (!named) return latest;
    if (latest && latest !== named && latest.at_seconds > named.at_seconds) {
      this.note(event, "inked-since");
      return latest;
    }
    return named;
  }

  private ofASheet(event: OfASheet) {
    const judged =
      event.kind === "pull-read" || event.kind === "spoiled" || event.kind === "signed";
    const sheet = this.sheets.get(judged ? event.data.pull : event.data.sheet);
    if (!sheet) return this.note(event, "no-such-sheet");
    if (event.kind === "sheet-measured") sheet.sheet_mm = event.data.sheet_mm;
    else if (event.kind === "crosses-read") sheet.crosses = crossesOf(event);
    else if (event.kind === "sheet-approved") this.approved = event;
    else if (event.kind === "pull-read") {
      sheet.areas = (event.data.areas ?? []).map((each) => ({
        ...each,
        spread: each.spread ?? 0.8,
      }));
      sheet.seen = event.data.seen ?? [];
    } else if (event.kind === "spoiled") sheet.spoiled = event.data.reason ?? "";
    else if (sheet.signed === null) {
      sheet.series = event.data.series ?? "edition";
      sheet.signed = event.id;
      sheet.signed_seconds = event.at_seconds;
      sheet.before_ok = event.data.reason ?? "";
    } else this.note(event, "done-before");
  }

  private ofALayer(event: Happened) {
    if (event.kind === "template-moved") this.move(event);
    else if (event.kind === "plate-changed")
      this.plates.set(event.data.layer, {
        layer: event.data.layer,
        plate: event.data.plate ?? null,
        plate_name: event.data.plate_name ?? "",
        reason: event.data.reason ?? "",
        at_seconds: event.at_seconds,
      });
    else if (event.kind === "pieces-followed") {
      const done = this.followed.get(event.data.layer) ?? new Set<number>();
      for (const piece of event.data.pieces)
        if (event.data.followed ?? true) done.add(piece);
        else done.delete(piece);
      this.followed.set(event.data.layer, done);
    }
  }

  private move({ data: said, at_seconds }: Of<"template-moved">) {
    const move = this.moves.get(said.layer) ?? {
      layer: said.layer,
      right_mm: 0,
      down_mm: 0,
      clockwise_deg: 0,
      at_seconds,
    };
    move.right_mm = tidy(move.right_mm + (said.right_mm ?? 0));
    move.down_mm = tidy(move.down_mm + (said.down_mm ?? 0));
    move.clockwise_deg = tidy(move.clockwise_deg + (said.clockwise_deg ?? 0));
    move.at_seconds = at_seconds;
    this.moves.set(said.layer, move);
  }

  private hang(event: Of<"hung">) {
    for (const each of event.data.pulls) {
      const sheet = this.sheets.get(each);
      if (!sheet) {
        this.note(event, "no-such-sheet");
        continue;
      }
      sheet.dries = event.data.how ?? "blotters";
      sheet.dry_seconds = event.at_seconds + (event.data.days ?? 2) * DAY;
    }
  }

  private join(event: Of<"sheets-joined">) {
    const members = event.data.sheets.filter((each) => this.sheets.has(each));
    if (members.length < event.data.sheets.length) this.note(event, "no-such-sheet");
    if (members.length > 0) this.joined.push({ members, name: event.data.name ?? "" });
  }

  private noted(event: Of<"pull-noted">) {
    const note = {
      event: event.id,
      at_seconds: event.at_seconds,
      text: event.data?.text ?? "",
      sound: event.data?.sound ?? null,
      sound_seconds: event.data?.seconds ?? 0,
    };
    const sheet = event.data?.pull ? this.sheets.get(event.data.pull) : undefined;
    (sheet?.notes ?? this.notes).push(note);
  }

  state(): WorkState {
    const families = this.families();
    for (const family of families)
      for (const each of family.sheets) {
        const sheet = this.sheets.get(each);
        if (sheet) sheet.family = family.event;
      }
    const said = this.approved?.data;
    return {
      sheets: [...this.sheets.values()],
      inkings: [...this.inkings.values()],
      families,
      approved: said?.sheet ?? null,
      approved_by: said ? (said.by ?? "printer") : null,
      condition: said?.condition ?? "",
      conditions_met: this.met,
      moves: [...this.moves.values()],
      plates: [...this.plates.values()],
      followed: [...this.followed].map(([layer, done]) => ({
        layer,
        pieces: [...done].sort((a, b) => a - b),
      })),
      notes: this.notes,
      notices: this.notices,
    };
  }

  /** Sheets that hang together by an inking or by word, the first begun first. */
  private families(): WorkState["families"] {
    const groups = [...[...this.inkings.values()].map((each) => each.sheets)];
    groups.push(...this.joined.map((each) => each.members));
    const head = new Map([...this.sheets.keys()].map((each) => [each, each]));
    const top = (sheet: string): string => {
      const over = head.get(sheet) as string;
      return over === sheet ? sheet : top(over);
    };
    const place = (sheet: string) => this.sheets.get(sheet)?.place ?? 0;
    for (const members of groups) {
      const tops = [...new Set(members.map(top))].sort((a, b) => place(a) - place(b));
      for (const each of tops.slice(1)) head.set(each, tops[0] as string);
    }
    const names = new Map<string, string>();
    for (const { members, name } of this.joined)
      if (name) names.set(top(members[0] as string), name);
    const byWord = new Set(this.joined.map(({ members }) => top(members[0] as string)));
    const found = new Map<string, string[]>();
    for (const sheet of this.sheets.keys())
      found.set(top(sheet), [...(found.get(top(sheet)) ?? []), sheet]);
    return [...found]
      .filter(([first, sheets]) => sheets.length > 1 || byWord.has(first))
      .map(([first, sheets]) => ({ event: first, name: names.get(first) ?? "", sheets }));
  }
}

function crossesOf(event: Of<"crosses-read">): Sheet["crosses"] {
  return {
    event: event.id,
    at_seconds: event.at_seconds,
    key: event.data.key,
    layers: event.data.layers.map((layer) => ({
      ...layer,
      crosses: layer.crosses.map((each) => ({ ...each, spread_mm: each.spread_mm ?? 0.1 })),
    })),
    by: event.data.by ?? "loupe",
    task: event.data.task ?? null,
  };
}
