const ID = "keen-device";
const SEQUENCE = "keen-sequence";

/** This device's own id, made once. */
export function deviceId(): string {
  const kept = localStorage.getItem(ID);
  if (kept) return kept;
  const made = newId();
  localStorage.setItem(ID, made);
  return made;
}

/** The next number of this device's own count. */
export function nextSequence(): number {
  const next = Number(localStorage.getItem(SEQUENCE) ?? "0") + 1;
  localStorage.setItem(SEQUENCE, String(next));
  return next;
}

export function newId(): string {
  return crypto.randomUUID();
}
