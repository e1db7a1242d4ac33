import "@testing-library/jest-dom/vitest";
import { configure } from "@testing-library/react";

// two cores, and other work beside the tests; asking each ancestor for its style is most of the time
configure({ asyncUtilTimeout: 20_000, defaultHidden: true });

/** Nothing is laid out here: a figure is told so once, and is drawn at the width it is given. */
class NoLayout {
  constructor(private told: ResizeObserverCallback) {}
  observe(target: Element) {
    if (!target.matches("[data-figure]")) return;
    const entry = { target, contentRect: new DOMRect() } as unknown as ResizeObserverEntry;
    this.told([entry], this as unknown as ResizeObserver);
  }
  unobserve() {}
  disconnect() {}
}
globalThis.ResizeObserver ??= NoLayout as unknown as typeof ResizeObserver;

// what jsdom does not draw, it cannot scroll to, nor give an address
Element.prototype.scrollIntoView ??= () => {};
URL.createObjectURL ??= () => "blob:seen";
URL.revokeObjectURL ??= () => {};
Element.prototype.setPointerCapture ??= () => {};
