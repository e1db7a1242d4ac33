import { startTransition, useEffect, useRef, useState } from "react";

/**
 * The width of an element as laid out [px]; figures are drawn at it, never scaled. It is 0 before it is
 * known, so that nothing is drawn twice; where nothing is laid out, it is what it was, or what is given. The page is laid
 * out once and not asked before; then the figure is drawn in slices, with the page free between them.
 */
export function useWidth(unknown: number): [React.RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    if (!ref.current) return;
    const observer = new ResizeObserver(([entry]) => {
      const px = Math.floor(entry?.contentRect.width ?? 0);
      startTransition(() => setWidth((before) => px || before || unknown));
    });
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, [unknown]);
  return [ref, width];
}
