import type { Layer, Lies, Register, Sheet, Work, WorkState } from "../../api/works";
import { keyShift } from "./words";

/** What to do next to a work: one thing, by what is on its sheets. */
export type Todo =
  | { kind: "layers" }
  | { kind: "move"; layer: Layer; lies: Lies; told: Register }
  | { kind: "grown"; told: Register }
  | { kind: "ghost"; layer: Layer; inking: string; ghost: number }
  | { kind: "ink"; layer: Layer }
  | { kind: "print"; layer: Layer; sheet: Sheet }
  | { kind: "begin"; layer: Layer }
  | { kind: "approve"; sheet: Sheet }
  | { kind: "sign"; sheet: Sheet }
  | { kind: "done" };

const BY_HAND = new Set(["monotype-added", "monotype-wiped", "monotype-traced"]);
export const isByHand = (layer: Pick<Layer, "kind">) => BY_HAND.has(layer.kind);
const FILMS = new Set(["plate", "relief-roll", "stencil"]);
/** A film of ink from something that stays: it is laid to crosses. */
export const isFilm = (layer: Pick<Layer, "kind">) => FILMS.has(layer.kind);

/** Sheets that still count. */
export const whole = (state: WorkState) => state.sheets.filter((each) => each.spoiled === null);

/** The layers that are not on a sheet yet, in order. */
export function leftOn(work: Work, sheet: Sheet): Layer[] {
  const there = new Set(sheet.prints.map((each) => each.layer));
  return work.layers_out.filter((each) => !there.has(each.id));
}

/** The plate that prints a layer now. */
export const plateNow = (layer: Layer, state: WorkState): string | null => {
  const changed = state.plates.find((each) => each.layer === layer.id);
  return changed ? changed.plate : (layer.plate ?? null);
};

/** The last reading of crosses that asks for something nobody did since. */
export function registerDue(work: Work, state: WorkState): Todo | null {
  const read = state.sheets
    .flatMap((sheet) => (sheet.crosses ? [{ sheet, crosses: sheet.crosses }] : []))
    .sort((a, b) => a.crosses.at_seconds - b.crosses.at_seconds)
    .at(-1);
  const told = work.registers.find((each) => each.sheet === read?.sheet.event)?.told;
  if (!read || !told || told.cause === "fits") return null;
  // whoever printed another sheet since has seen it, and went on
  if (state.sheets.some((each) => each.began_seconds > read.crosses.at_seconds)) return null;
  if (told.cause === "paper") return { kind: "grown", told };
  const layer = work.layers_out.find((each) => each.name === told.blame);
  const lies = told.plates.find((each) => each.name === told.blame) ?? null;
  if (!layer) return null;
  const moved = state.moves.find((each) => each.layer === layer.id);
  if (moved && moved.at_seconds > read.crosses.at_seconds) return null;
  return lies ? { kind: "move", layer, lies, told } : keyMove(layer, told);
}

function keyMove(layer: Layer, told: Register): Todo | null {
  return told.plates.length > 0 ? { kind: "move", layer, lies: keyShift(told), told } : null;
}

/** The inking of a layer that stands open, and how many sheets came from it. */
export const openInking = (state: WorkState, layer: string) =>
  state.inkings.findLast((each) => each.layer === layer && !each.over);

export function todoOf(work: Work, state: WorkState): Todo {
  const [first] = work.layers_out;
  if (!first) return { kind: "layers" };
  const due = registerDue(work, state);
  if (due) return due;
  if (isByHand(first)) return byHand(work, state, first);
  return byPlate(work, state, first);
}

function byHand(work: Work, state: WorkState, first: Layer): Todo {
  const inking = openInking(state, first.id);
  const pulled = inking?.sheets.length ?? 0;
  if (inking && pulled < 1 + (work.ghosts ?? 0))
    return { kind: "ghost", layer: first, inking: inking.event, ghost: pulled };
  return nextOn(work, state) ?? wholeOne(work, state) ?? { kind: "ink", layer: first };
}

function nextOn(work: Work, state: WorkState): Todo | null {
  for (const sheet of whole(state)) {
    const [layer] = leftOn(work, sheet);
    if (layer && sheet.prints.length > 0 && sheet.signed === null)
      return { kind: "print", layer, sheet };
  }
  return null;
}

/** A sheet that has every layer and is not signed: one of a kind needs no OK. */
function wholeOne(work: Work, state: WorkState): Todo | null {
  const sheet = whole(state).find(
    (each) => each.signed === null && each.prints.length > 0 && leftOn(work, each).length === 0,
  );
  return sheet ? { kind: "sign", sheet } : null;
}

function byPlate(work: Work, state: WorkState, first: Layer): Todo {
  if (work.stack?.unique)
    return nextOn(work, state) ?? wholeOne(work, state) ?? { kind: "begin", layer: first };
  const sheets = whole(state);
  const unfinished = nextOn(work, state);
  if (unfinished) return unfinished;
  const ready = sheets.filter((each) => each.signed === null && each.prints.length > 0);
  const last = ready.at(-1);
  if (state.approved === null)
    return last ? { kind: "approve", sheet: last } : { kind: "begin", layer: first };
  const differs = new Set(work.rows.filter((each) => each.differs.length > 0).map((e) => e.sheet));
  const sign = ready.find((each) => !differs.has(each.event));
  if (sign) return { kind: "sign", sheet: sign };
  const signed = sheets.filter((each) => each.series === "edition").length;
  return signed >= (work.size ?? 10) ? { kind: "done" } : { kind: "begin", layer: first };
}
