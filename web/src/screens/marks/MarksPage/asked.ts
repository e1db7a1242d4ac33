/** What is asked about: a tone, with which pressure, in how many layers. */
export type Asked = { lstar: number; pressure: number; layers: number };

export const WAYS = ["", "one way", "crossed", "three ways"] as const;
