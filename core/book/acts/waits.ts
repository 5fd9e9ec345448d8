import type { EntryDraft } from "../entry/index.ts";
import { dataOf, ReadyPromised, Waiting, type WaitKind } from "../facts/index.ts";

/** What the job waits for, in words, and until when where that is known, ISO. */
export const waits = (waitsFor: WaitKind, text: string, until?: string): EntryDraft => ({
  kind: "decision",
  item: "waits",
  text,
  data: dataOf(Waiting, { waitsFor, ...(until && { until }) }),
});

/** When the owner was told that it is ready: ISO, and as the shop's clock says it. */
export const promisedReady = (at: string, words: string): EntryDraft => ({
  kind: "decision",
  item: "owner was told",
  text: `ready by ${words}`,
  data: dataOf(ReadyPromised, { at }),
});
