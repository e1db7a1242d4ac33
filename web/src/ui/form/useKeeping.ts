import { useCallback, useEffect, useRef } from "react";
import type { FieldValues, UseFormReturn } from "react-hook-form";
import { dropTyped, keepTyped } from "./kept";
import type { Typed } from "./read";

/** Under which id and over which version a body is sent. */
export type Sent = { id: string; version: number };

const KEEP_AFTER_MS = 300;

/** Keep what is typed while it changes; returns how to drop it. */
export function useKeeping(
  hook: UseFormReturn<FieldValues>,
  user: string,
  name: string | undefined,
  sent: React.RefObject<Sent>,
  blank: React.RefObject<Typed>,
) {
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    if (!name) return;
    const keep = () => {
      timer.current = undefined;
      const values = hook.getValues();
      if (JSON.stringify(values) === JSON.stringify(blank.current)) dropTyped(user, name);
      else keepTyped(user, name, { ...sent.current, values });
    };
    const seen = hook.watch(() => {
      clearTimeout(timer.current);
      timer.current = setTimeout(keep, KEEP_AFTER_MS);
    });
    const leave = () => {
      if (timer.current === undefined) return;
      clearTimeout(timer.current);
      keep();
    };
    window.addEventListener("pagehide", leave);
    return () => {
      seen.unsubscribe();
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [hook, user, name, sent, blank]);
  return useCallback(() => {
    clearTimeout(timer.current);
    timer.current = undefined;
    dropTyped(user, name);
  }, [user, name]);
}
