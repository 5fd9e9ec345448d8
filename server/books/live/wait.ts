import { setTimeout } from "node:timers/promises";

/** Until then, or until it is ended. */
export const wait = (ms: number, signal: AbortSignal) =>
  setTimeout(Math.max(0, ms), undefined, { signal }).catch(() => undefined);
