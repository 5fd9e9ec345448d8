import { type Entry, standing } from "../ledger/index.ts";

export const WAITS = ["hands", "heat", "parts", "night", "owner"] as const;
export type WaitKind = (typeof WAITS)[number];

export interface Wait {
  waitsFor: WaitKind;
  /** What it waits for, in words. */
  words: string;
  /** Since when, ISO. */
  since: string;
  /** When it should be over, ISO, where that is known. */
  until?: string;
}

const isWait = (value: unknown): value is WaitKind => WAITS.includes(value as WaitKind);

/** What the job waits for now: the last that was said; hands where nothing was. */
export function waitOf(entries: readonly Entry[], openedAt: string): Wait {
  const last = standing(entries).findLast((entry) => isWait(entry.data?.waitsFor));
  if (!last || !isWait(last.data?.waitsFor)) return { waitsFor: "hands", words: "", since: openedAt };
  const until = typeof last.data.until === "string" ? last.data.until : undefined;
  return { waitsFor: last.data.waitsFor, words: last.text ?? "", since: last.at, until };
}
