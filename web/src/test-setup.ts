import "@testing-library/jest-dom/vitest";
import { configure } from "@testing-library/react";

// two cores, and other work beside the tests; asking each ancestor for its style is most of the time
configure({ asyncUtilTimeout: 20_000, defaultHidden: true });

class NoObserver {
  observe() {}
  unobserve() {}
  disconnect() {}
}
globalThis.ResizeObserver ??= NoObserver as unknown as typeof ResizeObserver;

// what jsdom does not draw, it cannot scroll to, nor give an address
Element.prototype.scrollIntoView ??= () => {};
URL.createObjectURL ??= () => "blob:seen";
URL.revokeObjectURL ??= () => {};
Element.prototype.setPointerCapture ??= () => {};
