import { keepMap, keptMap } from "./store";

/** Have a run's map on this device before its first dip; one that does not come is asked for again. */
export async function haveMap(address: string): Promise<ArrayBuffer | null> {
  const kept = await keptMap(address);
  if (kept) return kept;
  try {
    const reply = await fetch(address, { credentials: "same-origin" });
    if (!reply.ok) return null;
    const file = await reply.arrayBuffer();
    await keepMap(address, file);
    return file;
  } catch {
    return null; // no line: the names stand in its place
  }
}
