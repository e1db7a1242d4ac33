/** What is typed and not yet sent, kept on this device for its user until it is. */

const mark = (user: string, name: string) => `keen-typed:${user}:${name}`;

export type Kept = { id: string; version: number; values: Record<string, unknown> };

export function keptTyped(user: string, name: string | undefined): Kept | null {
  if (!name) return null;
  try {
    return JSON.parse(localStorage.getItem(mark(user, name)) ?? "null") as Kept | null;
  } catch {
    return null;
  }
}

export function keepTyped(user: string, name: string | undefined, kept: Kept): void {
  if (name) localStorage.setItem(mark(user, name), JSON.stringify(kept));
}

export function dropTyped(user: string, name: string | undefined): void {
  if (name) localStorage.removeItem(mark(user, name));
}
