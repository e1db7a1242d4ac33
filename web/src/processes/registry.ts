import type { Part } from "../api/plans";
import { LINES } from "./lines";
import type { ProcessParts } from "./parts";
import { POOLS } from "./pools";
import { TONES } from "./tones";

/** What each process brings to the screens; nothing else asks for its key. */
export const PROCESSES: Record<Part, ProcessParts> = {
  lines: LINES,
  tones: TONES,
  "spit-bite": POOLS,
};

export const isPart = (part: string): part is Part => part in PROCESSES;
