import "@testing-library/jest-dom/vitest";
import { configure } from "@testing-library/react";

// two cores, and other work beside the tests; asking each ancestor for its style is most of the time
configure({ asyncUtilTimeout: 20_000, defaultHidden: true });

/** Nothing is laid out here: what is observed is told once, without a width. */
class NoLayout {
  constructor(private told: ResizeObserverCallback) {}
  observe() {
    this.told([], this as unknown as ResizeObserver);
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
