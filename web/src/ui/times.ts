import type { Shapes } from "../api/client";

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

/** The shifts of a room's clock. */
export type Zone = Shapes["ZoneShift"][];

const DAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];
const MONTHS = "Jan Feb Mar Apr May June July Aug Sept Oct Nov Dec".split(" ");

/**
 * A date whose UTC parts are the room's own. Not by Intl: the first formatter with a time zone blocks
 * a slow tablet for a quarter of a second.
 */
function local(seconds: number, zone: Zone): Date {
  const shift = zone.findLast((each) => each.from_seconds <= seconds) ?? zone[0];
  const ahead = shift ? shift.ahead_seconds : -60 * new Date(seconds * 1000).getTimezoneOffset();
  return new Date((seconds + ahead) * 1000);
}

const hour = (at: Date) => `${two(at.getUTCHours())}:${two(at.getUTCMinutes())}`;
const day = (at: Date) => `${at.getUTCDate()} ${MONTHS[at.getUTCMonth()]}`;
const since = (iso: string) => Date.parse(iso) / 1000;

export const wallClock = (seconds: number, zone: Zone) => hour(local(seconds, zone));

export function weekdayOf(seconds: number, zone: Zone): string {
  const at = local(seconds, zone);
  return `${DAYS[at.getUTCDay()]} ${day(at)}`;
}

export const dayOf = (iso: string, zone: Zone) => day(local(since(iso), zone));

export const momentOf = (iso: string, zone: Zone) =>
  `${dayOf(iso, zone)}, ${wallClock(since(iso), zone)}`;

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
