import { useEffect, useRef } from "react";

/** A heading of what was asked for takes the focus: it is read first, and nothing opens by itself. */
export function useFocused() {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  return heading;
}
