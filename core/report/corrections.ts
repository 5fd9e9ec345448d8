import { describeEntry } from "../book/describe/index.ts";
import { type Entry, isStrike } from "../book/entry/index.ts";
import { CorrectionReason, factsOf, Signature } from "../book/facts/index.ts";
import type { System } from "../kernel/units/index.ts";

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
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  /** A strike has no words of its own, and one that is struck brings its line back. */
  const wordsOf = (entry: Entry): string => {
    const named = byId.get(entry.corrects ?? "");
    if (!isStrike(entry) || !named) return describeEntry(entry, system);
    const back = isStrike(named) ? byId.get(named.corrects ?? "") : undefined;
    return back ? `line ${back.seq} stands again` : `line ${named.seq} struck out`;
  };
  return entries
    .filter(({ corrects, seq }) => corrects && seq > signedSeq)
    .flatMap((entry): Correction[] => {
      const wrong = byId.get(entry.corrects ?? "");
      if (!wrong) return [];
      const why = reasons.get(wrong.id);
      return [
        {
          wrong: wrong.seq,
          right: entry.seq,
          was: wordsOf(wrong),
          ...(isStrike(entry) && !isStrike(wrong) ? {} : { is: wordsOf(entry) }),
          by: entry.by,
          at: entry.at,
          ...(why ? { why } : {}),
        },
      ];
    });
}
