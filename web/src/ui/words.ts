const NUMBERS = [
  "no",
  "one",
  "two",
  "three",
  "four",
  "five",
  "six",
  "seven",
  "eight",
  "nine",
  "ten",
];

/** A small number in words. */
export const inWords = (count: number): string => NUMBERS[count] ?? String(count);

/** As the first word of a sentence. */
export const begun = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Minutes as they are said: "33 min", "1 h 39", "2 h". */
export function saidMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60 === 0 ? "" : ` ${String(whole % 60).padStart(2, "0")}`;
  return `${Math.floor(whole / 60)} h${rest}`;
}
