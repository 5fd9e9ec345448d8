import type { EntryDraft } from "../entry/index.ts";
import { dataOf, Waiting, type WaitKind } from "../facts/index.ts";

/** What the job waits for, in words, and until when where that is known, ISO. */
export const waits = (waitsFor: WaitKind, text: string, until?: string): EntryDraft => ({
  kind: "decision",
  item: "waits",
  text,
  data: dataOf(Waiting, { waitsFor, ...(until && { until }) }),
});
