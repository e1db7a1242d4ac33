import { useRef } from "react";

/** What was told at the last drawing, for what happens later. */
export function useLatest<T>(value: T) {
  const latest = useRef(value);
  latest.current = value;
  return latest;
}
