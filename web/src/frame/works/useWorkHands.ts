import { useRef } from "react";
import type { Layer, Lies, Sheet, Work, WorkState } from "../../api/works";
import type { Log } from "../../device/useWaiting";
import { useSay } from "../../ui/Toast";
import { openInking, plateNow, type Todo } from "./todo";

export type Hands = ReturnType<typeof useWorkHands>;
export type Damp = "same" | "redamped" | "dry";
type Size = [number, number] | null;

/** What hands do to a work's sheets: each one touch, with or without a line, to be taken back. */
export function useWorkHands(work: Work, state: WorkState, log: Log) {
  const say = useSay();
  const told = (text: string, events: string[]) =>
    say({
      text,
      undo: () => {
        for (const event of [...events].reverse()) log({ kind: "undo", data: { event } });
      },
    });
  const sheetData = () => ({
    name: "",
    paper: null,
    sheet_mm: [work.sheet_width_mm ?? 280, work.sheet_height_mm ?? 380] as [number, number],
  });
  const printed = (layer: Layer, sheet: string, inking: string | null, damp: Damp, size: Size) =>
    log({
      kind: "layer-printed",
      data: {
        sheet,
        layer: layer.id,
        name: layer.name,
        inking,
        plate: plateNow(layer, state),
        state: layer.plate_state,
        damp,
        sheet_mm: size,
      },
    });
  return {
    ink(layer: Layer) {
      const event = log({
        kind: "layer-inked",
        data: { layer: layer.id, name: layer.name, plate: null, ink_name: layer.ink_name },
      });
      told(`${layer.name} inked.`, [event]);
    },
    /** A new sheet with its first layer on it. */
    begin(layer: Layer, inking: string | null = openInking(state, layer.id)?.event ?? null) {
      const sheet = log({ kind: "sheet-begun", data: sheetData() });
      const event = printed(layer, sheet, inking, "same", null);
      told(`Sheet ${state.sheets.length + 1}: ${layer.name} printed.`, [sheet, event]);
    },
    print(layer: Layer, sheet: Sheet, damp: Damp = "same", size: Size = null) {
      const inking = openInking(state, layer.id)?.event ?? null;
      const event = printed(layer, sheet.event, inking, damp, size);
      told(`${layer.name} printed on sheet ${sheet.place}.`, [event]);
    },
    move(layer: Layer, lies: Pick<Lies, "right_mm" | "down_mm" | "clockwise_deg">) {
      const event = log({
        kind: "template-moved",
        data: {
          layer: layer.id,
          name: layer.name,
          right_mm: tidy(-lies.right_mm),
          down_mm: tidy(-lies.down_mm),
          clockwise_deg: tidy(-lies.clockwise_deg),
        },
      });
      told(`The template of ${layer.name} is moved.`, [event]);
    },
    approve(sheet: Sheet, by: "artist" | "printer", condition: string) {
      const event = log({ kind: "sheet-approved", data: { sheet: sheet.event, by, condition } });
      told(`Sheet ${sheet.place} is OK to print.`, [event]);
    },
    sign(sheet: Sheet, series: "edition" | "artist" | "printer" | "trial", reason = "") {
      log({ kind: "signed", data: { pull: sheet.event, series, reason } });
      say({
        text: `Sheet ${sheet.place} signed. Its number comes from the print room, and stays.`,
      });
    },
    spoil(sheet: Sheet, reason: string) {
      const event = log({ kind: "spoiled", data: { pull: sheet.event, reason } });
      told(`Sheet ${sheet.place} is spoiled.`, [event]);
    },
    read(sheet: Sheet, lstar: number) {
      const event = log({
        kind: "pull-read",
        data: { pull: sheet.event, areas: [{ name: "whole", lstar, spread: 1 }], seen: [] },
      });
      told(`Sheet ${sheet.place} reads L* ${lstar}.`, [event]);
    },
    change(layer: Layer, plate: string | null, plate_name: string, reason: string) {
      const data = { layer: layer.id, name: layer.name, plate, plate_name, reason };
      const event = log({ kind: "plate-changed", data });
      told(`${layer.name} is printed from ${plate_name}.`, [event]);
    },
    join(sheets: string[], name: string) {
      const event = log({ kind: "sheets-joined", data: { sheets, name } });
      told(`${sheets.length} sheets are kept together.`, [event]);
    },
    dry(sheet: Sheet) {
      const data = { pulls: [sheet.event], how: "blotters" as const, days: 2 };
      const event = log({ kind: "hung", data });
      told(`Sheet ${sheet.place} to dry between blotters, two days.`, [event]);
    },
    measure(sheet: Sheet, size: [number, number]) {
      const event = log({ kind: "sheet-measured", data: { sheet: sheet.event, sheet_mm: size } });
      told(`Sheet ${sheet.place} measured.`, [event]);
    },
    met(approval: string) {
      const event = log({ kind: "condition-met", data: { approval, note: "" } });
      told("The condition is met.", [event]);
    },
    undoLast(event: string) {
      log({ kind: "undo", data: { event } });
    },
  };
}

const tidy = (value: number) => Math.round(value * 1000) / 1000;

/** Two presses nearer than this are one: no hand inks, lays and pulls so fast. */
const BOUNCE_MS = 700;

/** Do what is to be done next, where one touch does it; a press that bounced does it once. */
export function useNext(todo: Todo, hands: Hands): () => void {
  const last = useRef(Number.NEGATIVE_INFINITY);
  return () => {
    const now = performance.now();
    if (now - last.current < BOUNCE_MS) return;
    if (doNext(todo, hands)) last.current = now;
  };
}

function doNext(todo: Todo, hands: Hands): boolean {
  if (todo.kind === "move") hands.move(todo.layer, todo.lies);
  else if (todo.kind === "ghost") hands.begin(todo.layer, todo.inking);
  else if (todo.kind === "ink") hands.ink(todo.layer);
  else if (todo.kind === "print") hands.print(todo.layer, todo.sheet);
  else if (todo.kind === "begin") hands.begin(todo.layer);
  else if (todo.kind === "sign") hands.sign(todo.sheet, "edition");
  else return false;
  return true;
}
