import type { EntryDraft, Kind } from "../entry/index.ts";
import { CorrectionReason, dataOf } from "../facts/index.ts";

/** A line is struck: it stays readable, and stops counting. */
export const struck = (id: string, kind: Kind): EntryDraft => ({ kind, corrects: id });

/** Why a line was corrected. */
export const correctedBecause = (line: string, why: string): EntryDraft => ({
  kind: "note",
  item: "corrected because",
  text: why,
  data: dataOf(CorrectionReason, { line }),
});
