import "fake-indexeddb/auto";
import { vi } from "vitest";

/** What a light document has not: nothing is laid out in it, so nothing scrolls, is observed or captured. */
class Unseeing {
  observe() {}
  unobserve() {}
  disconnect() {}
  takeRecords() {
    return [];
  }
}

const query = (media: string) => ({
  // A desk: nothing coarse, nothing narrow, nobody's wish for less motion.
  matches: /min-width/.test(media) && !/max-width/.test(media),
  media,
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
  addListener: () => undefined,
  removeListener: () => undefined,
  onchange: null,
  dispatchEvent: () => false,
});

/** No stream reaches a document without a network: whoever listens asks instead. */
class Silent extends EventTarget {
  close() {}
}

Object.assign(globalThis, {
  ResizeObserver: Unseeing,
  IntersectionObserver: Unseeing,
  EventSource: Silent,
  Worker: undefined,
  IS_REACT_ACT_ENVIRONMENT: false,
});
Object.assign(window, { matchMedia: query, scrollTo: () => undefined, print: () => undefined });
Object.assign(Element.prototype, {
  scrollIntoView: () => undefined,
  hasPointerCapture: () => false,
  setPointerCapture: () => undefined,
  releasePointerCapture: () => undefined,
});

/** What comes of itself comes where a walk waits for it, and nowhere else: see `clock.ts`. What time it is, is the database's too. */
vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout", "setInterval", "clearInterval"] });
