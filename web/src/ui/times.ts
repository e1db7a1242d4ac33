/** Times as people write them: m:ss, 3.45 min, 225 s, 3m45. */

export function clock(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60), whole % 60];
  if (m >= 100) return `${h}:${two(m % 60)}:${two(s)}`;
  return `${m}:${two(s)}`;
}

const two = (value: number) => String(value).padStart(2, "0");

/** Return seconds, or null where the text is no time. */
export function parseTime(text: string): number | null {
  const t = text.trim().toLowerCase().replace(",", ".");
  let m = /^(\d{1,3}):([0-5]?\d)$/.exec(t);
  if (m) return Number(m[1]) * 60 + Number(m[2]);
  m = /^(\d+):([0-5]\d):([0-5]\d)$/.exec(t);
  if (m) return Number(m[1]) * 3600 + Number(m[2]) * 60 + Number(m[3]);
  m = /^(\d+(?:\.\d+)?)\s*(?:m|min)$/.exec(t);
  if (m) return Number(m[1]) * 60;
  m = /^(\d+)\s*m(?:in)?\s*(\d+)\s*s?$/.exec(t);
  if (m) return Number(m[1]) * 60 + Number(m[2]);
  m = /^(\d+(?:\.\d+)?)\s*s?$/.exec(t);
  if (m) return Number(m[1]);
  return null;
}

/** A formatter of times costs more than all it formats: one of each form and zone. */
const FORMATS = new Map<string, Intl.DateTimeFormat>();

const FORMS = {
  clock: { hour: "2-digit", minute: "2-digit" },
  day: { day: "numeric", month: "short" },
  weekday: { weekday: "short", day: "numeric", month: "short" },
  moment: { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

function written(form: keyof typeof FORMS, at: number | Date, zone: string): string {
  const key = `${form} ${zone}`;
  let format = FORMATS.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat("en-GB", { ...FORMS[form], timeZone: zone });
    FORMATS.set(key, format);
  }
  return format.format(at);
}

export const wallClock = (seconds: number, zone: string) => written("clock", seconds * 1000, zone);

export const weekdayOf = (seconds: number, zone: string) =>
  written("weekday", seconds * 1000, zone);

export const dayOf = (iso: string, zone: string) => written("day", new Date(iso), zone);

export const momentOf = (iso: string, zone: string) => written("moment", new Date(iso), zone);

export function roman(number: number): string {
  const pairs: [number, string][] = [
    [50, "L"],
    [40, "XL"],
    [10, "X"],
    [9, "IX"],
    [5, "V"],
    [4, "IV"],
    [1, "I"],
  ];
  let left = number;
  return pairs.reduce((text, [value, sign]) => {
    const times = Math.floor(left / value);
    left -= times * value;
    return text + sign.repeat(times);
  }, "");
}
