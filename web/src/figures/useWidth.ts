import { useLayoutEffect, useRef, useState } from "react";

/**
 * The width of an element as laid out [px]; figures are drawn at it, never scaled. It is 0 before it is
 * known, so that nothing is drawn twice; where nothing is laid out, it is what is given.
 */
export function useWidth(unknown: number): [React.RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  // before the first painting, so that a narrow screen is never wider than it is
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = (px: number) => px > 0 && setWidth(Math.floor(px));
    measure(element.clientWidth || unknown);
    if (typeof ResizeObserver === "undefined") return;
    const observer = new ResizeObserver(([entry]) => entry && measure(entry.contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  }, [unknown]);
  return [ref, width];
}
