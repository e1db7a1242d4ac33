export type Row = Record<string, unknown>;

/** Names that tell nothing to a reader: versions, paths, what is handed on as it is. */
const NOT_SHOWN = new Set([
  "tables",
  "curve",
  "draws",
  "path",
  "straight",
  "id",
  "task",
  "version",
]);
const MOST_IN_A_CELL = 12;
const isPlain = (value: unknown) => value === null || typeof value !== "object";
/** What one cell can say: a value, or a few words. */
const fitsACell = (value: unknown) =>
  isPlain(value) ||
  (Array.isArray(value) && value.length <= MOST_IN_A_CELL && value.every(isPlain));

/** The names of rows whose values stand in cells. */
export function columnsOf(rows: Row[]): string[] {
  const names = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  return names.filter(
    (name) => !NOT_SHOWN.has(name) && rows.every((row) => fitsACell(row[name] ?? null)),
  );
}

/** What stands by itself in an answer, apart from the words that lead it. */
export function factsOf(answer: Row, led: string[]): [string, unknown][] {
  return Object.entries(answer).filter(
    ([name, value]) => isPlain(value) && !NOT_SHOWN.has(name) && !led.includes(name),
  );
}

/** Lists of rows, or of words and figures, by their names. */
export function listsOf(answer: Row): [string, unknown[]][] {
  return Object.entries(answer).filter(
    (each): each is [string, unknown[]] =>
      Array.isArray(each[1]) && each[1].length > 0 && !NOT_SHOWN.has(each[0]),
  );
}

/** Answers within an answer. */
export function partsOf(answer: Row): [string, Row][] {
  return Object.entries(answer).filter(
    (each): each is [string, Row] =>
      !isPlain(each[1]) && !Array.isArray(each[1]) && !NOT_SHOWN.has(each[0]),
  );
}

export type Series = { x: string; y: string; low: string | null; high: string | null };
const FEWEST = 5;

/** What of many rows can be drawn: a figure over another that rises, with its band if it has one. */
export function seriesOf(rows: Row[]): Series | null {
  if (rows.length < FEWEST) return null;
  const numbers = columnsOf(rows).filter((name) =>
    rows.every((row) => typeof row[name] === "number"),
  );
  const x = numbers.find((name) =>
    rows.every((row, i) => i === 0 || Number(row[name]) > Number(rows[i - 1]?.[name])),
  );
  const others = numbers.filter((name) => name !== x && !/_?(low|high)$/.test(name));
  const banded = others.find((name) => band(name, numbers));
  const y = banded ?? others[0];
  if (!x || !y) return null;
  return { x, y, low: null, high: null, ...band(y, numbers) };
}

const band = (name: string, numbers: string[]) => {
  const [low, high] = [`${name}_low`, `${name}_high`];
  if (numbers.includes(low) && numbers.includes(high)) return { low, high };
  return numbers.includes("low") && numbers.includes("high") ? { low: "low", high: "high" } : null;
};
