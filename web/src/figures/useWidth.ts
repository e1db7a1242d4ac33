import { useLayoutEffect, useRef, useState } from "react";

/** The width of an element as laid out [px]; figures are drawn at it, never scaled. */
export function useWidth(start: number): [React.RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(start);
  // before the first painting, so that a narrow screen is never wider than it is
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = (px: number) => px > 0 && setWidth(Math.floor(px));
    measure(element.clientWidth);
    if (typeof ResizeObserver === "undefined") return;
    const observer = new ResizeObserver(([entry]) => entry && measure(entry.contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
