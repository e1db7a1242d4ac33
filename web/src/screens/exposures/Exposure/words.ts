/** How many patches of a test were read. */
export const patchesRead = (count: number): string =>
  `${count} ${count === 1 ? "patch" : "patches"} read.`;
