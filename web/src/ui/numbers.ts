/** The one parser of numbers: decimal comma or point, the unit written after it or not. */

/** Return the number, undefined where nothing is typed, NaN where it cannot be read. */
export function parseNumber(text: string, unit = ""): number | undefined {
  let t = text.trim().replace(/\s/g, "").replace("−", "-");
  const mark = unit.replace(/\s/g, "");
  if (mark && t.toLowerCase().endsWith(mark.toLowerCase())) t = t.slice(0, -mark.length);
  if (text.trim() === "") return undefined;
  return /^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/.test(t) ? Number(t.replace(",", ".")) : Number.NaN;
}

/** A number typed, moved by a step of the arrow keys: as the hand would write it. */
export function stepped(text: string, by: number): string {
  const now = parseNumber(text) ?? 0;
  return Number.isNaN(now) ? text : plain(now + by);
}

/** A number without the dust of binary fractions. */
export const plain = (value: number): string => String(Math.round(value * 1e4) / 1e4);

/** What is kept, as text to be typed over; empty where there is nothing. */
export const typedNumber = (value: number | null | undefined): string =>
  value == null ? "" : plain(value);

/** A count with its noun: "1 bath", "12 baths". */
export const counted = (count: number, noun: string): string =>
  `${count} ${noun}${count === 1 ? "" : "s"}`;
