import type { Edition, Impression } from "../../api/editions";

/** One sheet on the line: the OK, a pull, or a number to come; the same column carries its reading. */
export type Column =
  | { kind: "ok" }
  | { kind: "pull"; row: Impression; ok: boolean }
  | { kind: "to-come"; number: number; place: number; pale: boolean };

export const LEAST_WIDE = 42;
export const LEFT = 44;

/** The sheets of an edition in the order of the line: what was pulled, then what is to come. */
export function columnsOf(edition: Edition): Column[] {
  const made = edition.rows.map((row): Column => ({ kind: "pull", row, ok: isOk(edition, row) }));
  const numbers = toCome(edition);
  const later = numbers.map(
    (number, i): Column => ({
      kind: "to-come",
      number,
      place: edition.rows.length + i + 1,
      pale: edition.pale_from !== null && number >= edition.pale_from,
    }),
  );
  return [...(leads(edition) ? [{ kind: "ok" } as const] : []), ...made, ...later];
}

/** The pull that was signed OK hangs as such; what was signed for the edition keeps its number. */
const isOk = (edition: Edition, row: Impression) =>
  edition.ok !== null &&
  row.place === edition.ok_place &&
  (row.series === null || row.series === "trial");

/** The OK hangs by itself where it was not one of the pulls logged here. */
export const leads = (edition: Edition) =>
  edition.ok !== null && !edition.rows.some((row) => isOk(edition, row));

/** The numbers nobody has. */
function toCome(edition: Edition): number[] {
  if (edition.version === 0) return [];
  const taken = new Set(
    edition.rows.filter((each) => each.series === "edition").map((each) => each.number),
  );
  return Array.from({ length: edition.size }, (_, i) => i + 1).filter((n) => !taken.has(n));
}

/** What stands on a sheet. */
export function sheetWord(column: Column): string {
  if (column.kind === "ok") return "OK";
  if (column.kind === "to-come") return String(column.number);
  const { label, state, series } = column.row;
  if (column.ok) return "OK";
  if (series === "trial") return "T";
  return (
    { "to-come": "…", unsigned: "", "before-ok": "…", over: "–", spoiled: "" }[state as string] ??
    label
  );
}

/** Where each column's middle lies, and the whole width. */
export function laidOut(count: number, width: number) {
  const wide = Math.max(LEAST_WIDE, (width - LEFT) / Math.max(1, count));
  return { wide, whole: LEFT + wide * count, x: (column: number) => LEFT + wide * (column + 0.5) };
}
