import { happened } from "../../device/happened";
import { foldWork } from "../../device/sheetFold";
import type { Work, WorkState } from "../../api/works";
import { told, workId } from "../../testing/server";
import { answerOf } from "./answer";
import { leftOn, plateNow, registerDue, todoOf } from "./todo";
import { growthSaid, moveOf, offOf, registerSaid, stackSaid } from "./words";

const MM = { length_unit: "mm", temperature_unit: "C" } as const;
const INCH = { length_unit: "in", temperature_unit: "F" } as const;
const awnings = () => told<Work>(`/works/${workId("Awnings at Nine")}`);
const tram = () => told<Work>(`/works/${workId("Last Tram")}`);

let count = 0;
/** The state after more happened, each a second after the last. */
function after(work: Work, ...said: { kind: string; data: object }[]): WorkState {
  const events = said.map((each) => {
    count += 1;
    return happened({
      ...each,
      id: `00000000-0000-4000-8000-${String(count).padStart(12, "0")}`,
      device: "00000000-0000-4000-8000-0000000000aa",
      sequence: count,
      monotonic_ms: count * 60_000,
      offset_ms: work.now_seconds * 1000,
      offset_spread_ms: 5,
    } as never);
  });
  return foldWork([...work.events, ...events]);
}

const layer = (work: Work, name: string) => {
  const found = work.layers_out.find((each) => each.name === name);
  if (!found) throw new Error(name);
  return found;
};
const moved = (work: Work, name: string) => ({
  kind: "template-moved",
  data: { layer: layer(work, name).id, name, right_mm: -0.6, down_mm: -0.3 },
});
const approved = (sheet: string) => ({ kind: "sheet-approved", data: { sheet } });

test("a plate that lies off is what is to be done, until its template was moved", () => {
  const work = awnings();
  const due = registerDue(work, work.state);
  expect(due).toMatchObject({ kind: "move", layer: { name: "Blue" } });
  const state = after(work, moved(work, "Blue"));
  expect(registerDue(work, state)).toBeNull();
  expect(todoOf(work, state)).toMatchObject({ kind: "approve", sheet: { place: 2 } });
});

test("the largest line says how far and which way, in the reader's units", () => {
  const work = awnings();
  expect(answerOf(work, work.state, MM)).toEqual({
    title: "Blue lies 0.7 mm off.",
    text: "Move its template 0.6 mm left, 0.3 mm up.",
  });
  const inches = answerOf(work, work.state, INCH);
  expect(inches.title).toMatch(/^Blue lies 0\.02\d in off\.$/);
  expect(inches.text).toMatch(/^Move its template 0\.02\d in left, 0\.01\d in up\.$/);
});

test("with an OK each whole sheet is signed, and then the next begins", () => {
  const work = awnings();
  const [first, second] = work.state.sheets as unknown as [{ event: string }, { event: string }];
  const ok = after(work, moved(work, "Blue"), approved(second.event));
  expect(todoOf(work, ok)).toMatchObject({ kind: "sign" });
  const signed = [first, second].map((each) => ({ kind: "signed", data: { pull: each.event } }));
  const all = after(work, moved(work, "Blue"), approved(second.event), ...signed);
  expect(todoOf(work, all)).toMatchObject({ kind: "begin", layer: { name: "Ochre" } });
  expect(todoOf({ ...work, size: 2 }, all)).toEqual({ kind: "done" });
  expect(answerOf({ ...work, size: 2, done: 1 }, all, MM)).toEqual({
    title: "All 2 are signed.",
    text: "Numbered so far: 1. The others get theirs from the print room.",
  });
  expect(answerOf({ ...work, size: 2, done: 2 }, all, MM).title).toBe("All 2 are numbered.");
});

test("a sheet in work asks for its next layer, in order", () => {
  const work = awnings();
  const sheet = "00000000-0000-4000-8000-0000000000bb";
  const ochre = layer(work, "Ochre").id;
  const events = [
    { kind: "sheet-begun", data: {} },
    { kind: "layer-printed", data: { sheet, layer: ochre } },
  ];
  const state = after(work, moved(work, "Blue"), ...events);
  const begun = state.sheets.at(-1);
  const printed = foldWork([
    ...work.events,
    ...[
      moved(work, "Blue"),
      events[0],
      { kind: "layer-printed", data: { sheet: begun?.event, layer: ochre } },
    ].map((each, i) => ({
      ...(each as object),
      id: i === 1 ? begun?.event : `00000000-0000-4000-8000-0000000001${i}0`,
      device: "00000000-0000-4000-8000-0000000000aa",
      sequence: i,
      at_seconds: work.now_seconds + 60 * i,
    })),
  ] as never);
  expect(todoOf(work, printed)).toMatchObject({ kind: "print", layer: { name: "Blue" } });
  expect(leftOn(work, printed.sheets.at(-1) as never).map((each) => each.name)).toEqual([
    "Blue",
    "Grey",
    "Key",
  ]);
  expect(answerOf(work, printed, MM).title).toBe("Print Blue on sheet 3.");
});

test("an open inking waits for its ghosts, each with its tone and its band", () => {
  const work = tram();
  expect(todoOf(work, work.state)).toMatchObject({ kind: "ghost", ghost: 2 });
  const said = answerOf(work, work.state, MM);
  expect(said.title).toMatch(/^Ghost 2 comes at L\* \d\d \(\d\d to \d\d\)\.$/);
  expect(said.text).toContain("from 3 ghosts read here");
});

test("where all plates lie off alike it is the key that is moved, the other way", () => {
  const work = awnings();
  const [read] = work.registers;
  if (!read) throw new Error("none read");
  const plates = read.told.plates.map((each) => ({ ...each, right_mm: 0.8, down_mm: 0 }));
  const key = { ...read.told, plates, cause: "key" as const, blame: "Key" };
  expect(registerSaid(key, work, MM)).toEqual({
    title: "Key lies 0.8 mm off.",
    text: "All others lie off alike: move the template of Key 0.8 mm right.",
  });
});

test("a sheet that grew is not mended by moving", () => {
  const work = awnings();
  const [read] = work.registers;
  const told_ = { ...(read as { told: object }).told, cause: "paper" } as never;
  expect(registerSaid(told_, work, MM).text).toMatch(/^No move mends it all\./);
});

test("a turned plate is raised or lowered at its right end", () => {
  const lies = { right_mm: 0, down_mm: 0, clockwise_deg: 0.23 } as never;
  expect(moveOf(lies, 250, MM)).toBe("raise its right end 1.0 mm");
  expect(offOf({ right_mm: 0.01, down_mm: -0.02 }, MM)).toBe("no more than can be read");
});

test("growth is told where it was measured, and what to do about it", () => {
  const colour = {
    name: "Blue", wider_mm: 0.8, higher_mm: 0.1, doubt_mm: 0.2, edge_mm: 0.6,
    within: false, measured: true, text: "",
  }; // biome-ignore format: one colour
  const growth = { colours: [colour], damp_mm: [282, 231], title: "", text: "" } as never;
  expect(growthSaid(growth, MM)).toBe(
    "For Blue the sheet is 0.8 mm larger over the print than under the first colour: let it dry to the size it had.",
  );
  const guessed = { colours: [{ ...colour, measured: false }] } as never;
  expect(growthSaid(guessed, MM)).toBe("");
});

test("plates of two sizes are said in the reader's units", () => {
  const work = awnings();
  const blue = { ...layer(work, "Blue"), plate_width_mm: 190, plate_height_mm: 180 };
  const small = { ...work, layers_out: [blue] };
  const said = stackSaid({ code: "plates-differ", layer: "Blue", text: "190 mm" }, small, INCH);
  expect(said).toContain("Blue is 7.48 × 7.09 in, the print 9.84 × 7.09 in");
});

test("another plate takes a layer's place from the change on", () => {
  const work = awnings();
  const blue = layer(work, "Blue");
  expect(plateNow(blue, work.state)).toBe(blue.plate);
  const data = { layer: blue.id, plate: null, plate_name: "other" };
  expect(plateNow(blue, after(work, { kind: "plate-changed", data }))).toBeNull();
});

test("whoever prints another sheet has seen what the crosses said, and goes on", () => {
  const work = awnings();
  const state = after(work, { kind: "sheet-begun", data: {} });
  expect(registerDue(work, state)).toBeNull();
});

test("a monotype that has every layer is signed: one of a kind needs no OK", () => {
  const work = tram();
  const [night, windows] = work.layers_out as unknown as [{ id: string }, { id: string }];
  const short = { ...work, ghosts: 0, layers_out: work.layers_out.slice(0, 2) };
  const open = work.state.sheets.filter((each) => each.prints.length === 1);
  const rolled = open.map((each) => ({
    kind: "layer-printed",
    data: { sheet: each.event, layer: windows.id },
  }));
  const state = after(work, ...rolled);
  expect(todoOf(short, state)).toMatchObject({ kind: "sign" });
  expect(answerOf(short, state, MM).title).toMatch(/^Sheet \d is whole\.$/);
  const signed = state.sheets
    .filter((each) => each.signed === null)
    .map((each) => ({ kind: "signed", data: { pull: each.event } }));
  expect(todoOf(short, after(work, ...rolled, ...signed))).toMatchObject({
    kind: "ink",
    layer: { id: night.id },
  });
});
