import { lastFact, Waiting, type WaitKind } from "../facts/index.ts";
import type { Entry } from "../ledger/index.ts";

export interface Wait {
  waitsFor: WaitKind;
  /** What it waits for, in words. */
  words: string;
  /** Since when, ISO. */
  since: string;
  /** When it should be over, ISO, where that is known. */
  until?: string;
}

/** What the job waits for now: the last that was said; hands where nothing was. */
export function waitOf(entries: readonly Entry[], openedAt: string): Wait {
  const last = lastFact(entries, Waiting);
  if (!last) return { waitsFor: "hands", words: "", since: openedAt };
  const { waitsFor, until } = last.fact;
  return { waitsFor, words: last.entry.text ?? "", since: last.entry.at, until };
}
