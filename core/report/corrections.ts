import { type Entry, isStrike } from "../book/index.ts";
import { CorrectionReason, factsOf, Signature } from "../facts/index.ts";
import { describeEntry } from "../ledger/index.ts";
import type { System } from "../units/index.ts";

/** A line that was put right after the job was signed. */
export interface Correction {
  /** Number of the line that was wrong, and of the one that is right. */
  wrong: number;
  right: number;
  was: string;
  /** What it says now; nothing where the line was struck. */
  is?: string;
  by: string;
  at: string;
  why?: string;
}

/** What was corrected after the signature, in order. A line corrected twice stands twice. */
export function correctionsAfter(entries: readonly Entry[], system: System): Correction[] {
  const signedSeq = factsOf(entries, Signature).at(-1)?.entry.seq;
  if (signedSeq === undefined) return [];
  const reasons = new Map(
    factsOf(entries, CorrectionReason).map(({ fact, entry }) => [fact.line, entry.text]),
  );
  return entries
    .filter(({ corrects, seq }) => corrects && seq > signedSeq)
    .flatMap((entry): Correction[] => {
      const wrong = entries.find(({ id }) => id === entry.corrects);
      if (!wrong) return [];
      const why = reasons.get(wrong.id);
      return [
        {
          wrong: wrong.seq,
          right: entry.seq,
          was: describeEntry(wrong, system),
          ...(isStrike(entry) ? {} : { is: describeEntry(entry, system) }),
          by: entry.by,
          at: entry.at,
          ...(why ? { why } : {}),
        },
      ];
    });
}
