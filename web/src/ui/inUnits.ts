import type { Units } from "./units";

/**
 * What the server says, in the user's units: its texts are written in mm and °C, as everything inside
 * is. Light (mW/cm²) is read in these units everywhere.
 */
export function inUnits(text: string, units: Units): string {
  const warm = units.temperature_unit === "F" ? WARM.reduce(apply, text) : text;
  return units.length_unit === "in" ? LONG.reduce(apply, warm) : warm;
}

type Rule = [RegExp, (...found: string[]) => string];
const apply = (text: string, [found, said]: Rule) => text.replace(found, said);

const NUMBER = "(-?\\d+(?:\\.\\d+)?)";
const rule = (pattern: string, said: Rule[1]): Rule => [
  new RegExp(pattern.replaceAll("N", NUMBER), "g"),
  said,
];

const f = (celsius = "0") => String(Math.round((Number(celsius) * 1.8 + 32) * 10) / 10);
const WARM: Rule[] = [
  rule("N( to | → )N ?°C", (_, low, to, high) => `${f(low)}${to}${f(high)} °F`),
  rule("N ?°C", (_, at) => `${f(at)} °F`),
];

const MM_PER_IN = 25.4;
const CM_PER_IN = 2.54;

/** To thousandths where it is small, else to hundredths. */
function inches(value = "0", per = MM_PER_IN): string {
  const long = Number(value) / per;
  return String(Number(long.toFixed(Math.abs(long) < 0.5 ? 3 : 2)));
}

const LONG: Rule[] = [
  rule("N × N × N mm", (_, a, b, c) => `${inches(a)} × ${inches(b)} × ${inches(c)} in`),
  rule("N × N mm", (_, a, b) => `${inches(a)} × ${inches(b)} in`),
  rule("N( to | → )N mm(?![²\\w])", (_, low, to, high) => `${inches(low)}${to}${inches(high)} in`),
  rule("N mm²", (_, a) => `${inches(a, MM_PER_IN ** 2)} in²`),
  rule("N mm(?![²\\w])", (_, a) => `${inches(a)} in`),
  rule(
    "N( to | → )N cm²",
    (_, a, to, b) => `${inches(a, CM_PER_IN ** 2)}${to}${inches(b, CM_PER_IN ** 2)} in²`,
  ),
  rule("N cm²", (_, a) => `${inches(a, CM_PER_IN ** 2)} in²`),
  rule("N cm(?![²\\w])", (_, a) => `${inches(a, CM_PER_IN)} in`),
];
