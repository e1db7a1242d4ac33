import { useEffect, useState } from "react";

const AFTER_MS = 250;

/** A value that follows once typing or dragging pauses; the last good one stays meanwhile. */
export function useLate<T>(value: T | null): T | null {
  const [late, setLate] = useState(value);
  const text = JSON.stringify(value);
  useEffect(() => {
    const timer = setTimeout(() => {
      const next = JSON.parse(text) as T | null;
      if (next !== null) setLate(next);
    }, AFTER_MS);
    return () => clearTimeout(timer);
  }, [text]);
  return late;
}
