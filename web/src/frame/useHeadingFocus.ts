import { useEffect, useRef } from "react";
import { useLocation } from "react-router";

const EVERY_MS = 60;
const MOST_TRIES = 40;
/** What a page gives the focus by itself, or a hand has gone to, keeps it. */
const TAKEN = "#main :is(input, textarea, select, [role=combobox], h1, h2, h3)";

/** After a change of page its heading has the focus: it is read first, and Tab goes on from there. */
export function useHeadingFocus() {
  const { pathname } = useLocation();
  const opened = useRef(pathname);
  const stood = useRef<Element | null>(null);
  useEffect(() => {
    let tries = 0;
    const before = stood.current;
    const timer = setInterval(() => {
      const heading = headingOf(before);
      tries += 1;
      if (!heading && tries < MOST_TRIES) return;
      clearInterval(timer);
      stood.current = document.querySelector("#main h1");
      const gone = pathname !== opened.current;
      if (gone && heading && !document.activeElement?.matches(TAKEN)) focusOn(heading);
      opened.current = gone ? "" : opened.current;
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [pathname]);
}

/** What names the page: its first heading, or where that stays, as a plate's name does, the next. */
function headingOf(before: Element | null): HTMLElement | null {
  const [first, second] = document.querySelectorAll<HTMLElement>("#main :is(h1, h2)");
  return first && first === before ? (second ?? null) : (first ?? null);
}

function focusOn(heading: HTMLElement) {
  heading.tabIndex = -1;
  heading.classList.add("outline-none", "shadow-none"); // nothing can be done with it
  heading.focus({ preventScroll: true });
}
