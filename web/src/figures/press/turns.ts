/** Quarter turns as they are said at the press: "1¾". */
export function turnsOf(quarters: number): string {
  const whole = Math.floor(Math.abs(quarters) / 4);
  const part = ["", "¼", "½", "¾"][Math.abs(quarters) % 4] ?? "";
  return `${quarters < 0 ? "−" : ""}${whole || part === "" ? whole : ""}${part}`;
}

export const turnWord = (quarters: number) =>
  [0, 1, 2, 3, 4].includes(Math.abs(quarters)) && quarters !== 0 ? "turn" : "turns";

const READ_BY = { turns: "from contact", gauge: "on the gauge", gap: "" };

/** How a press is set, by what its pressure is read by. */
export function setWords(quarters: number, by: "turns" | "gauge" | "gap"): [string, string] {
  if (by === "gap") return [String(quarters), "number of the gap"];
  if (by === "gauge") return [turnsOf(quarters), READ_BY.gauge];
  return [turnsOf(quarters), `${turnWord(quarters)} ${READ_BY.turns}`];
}
