import { useEffect, useRef } from "react";

type Handlers = Record<string, (event: KeyboardEvent) => void>;

const TYPING = new Set(["INPUT", "TEXTAREA", "SELECT"]);

/** Single keys of a page; they do nothing while a field has focus. */
export function useKeys(handlers: Handlers): void {
  const latest = useRef(handlers);
  latest.current = handlers;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.repeat) return; // a key that is held is one press
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.target instanceof HTMLElement && TYPING.has(event.target.tagName)) return;
      const found = latest.current[event.key === " " ? "Space" : event.key];
      if (found) found(event);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
