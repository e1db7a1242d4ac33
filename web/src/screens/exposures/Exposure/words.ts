/** How many patches of a test were read. */
export const patchesRead = (count: number): string =>
  `${count} ${count === 1 ? "patch" : "patches"} read.`;

/** Hours of a lamp as they are told: to six minutes. */
export const hoursTold = (hours: number | null | undefined): string =>
  hours == null ? "" : String(Number(hours.toFixed(1)));
