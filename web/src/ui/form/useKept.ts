import { useState } from "react";
import { useUser } from "../useUser";
import { dropTyped, keepTyped, keptTyped } from "./kept";

/** What goes with a form beside its fields, kept on this device until the form is sent. */
export function useKept<T extends object>(name: string) {
  const user = useUser().me?.id ?? "";
  const [value, set] = useState(() => (keptTyped(user, name)?.values ?? null) as T | null);
  const put = (next: T) => {
    keepTyped(user, name, { id: "", version: 0, values: next as Record<string, unknown> });
    set(next);
  };
  return { value, put };
}

/** Drop what was kept under a name: it was sent. */
export function useDrop() {
  const user = useUser().me?.id ?? "";
  return (name: string) => dropTyped(user, name);
}
