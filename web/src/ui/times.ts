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

export function wallClock(seconds: number, zone: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    hour: "2-digit",
    minute: "2-digit",
    timeZone: zone,
  }).format(seconds * 1000);
}

export function dayOf(iso: string, zone: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    day: "numeric",
    month: "short",
    timeZone: zone,
  }).format(new Date(iso));
}

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
