import { answeredTest, cannotTest, decided, struck, triedRepair } from "../../../core/book/acts/index.ts";
import type { CannotBecause } from "../../../core/book/facts/index.ts";
import type { Belief } from "../../../core/stages/find/index.ts";
import type { findingOf } from "../../../core/state/index.ts";
import { UNSURE } from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { JobContext } from "../stage/context.ts";

/** The ways to add to what Find knows: each one line in the book. */
export function doingsOf(
  book: JobContext["book"],
  belief: Belief | undefined,
  finding: ReturnType<typeof findingOf>,
) {
  /** Books an outcome; one that is there already is corrected by it, so that a test counts once. */
  const report = (test: string, outcome: string, seen?: string) => {
    const earlier = belief?.results.find((result) => result.test === test && result.from === "person");
    const circuit = belief?.circuit.kind;
    book(
      answeredTest(
        { test, outcome, ...(circuit && { circuit }), ...(seen !== undefined && { seen }) },
        earlier?.entryId,
      ),
    );
  };
  return {
    report,
    unsure: (test: string) => report(test, UNSURE),
    cannot: (test: string, why: CannotBecause) => book(cannotTest(test, why)),
    tried: (repair: string, name: string) => book(triedRepair(repair, name)),
    strike: (entryId: string, kind: "test" | "decision") => book(struck(entryId, kind)),
    decide: (hypothesis: string, words: string) => book(decided(hypothesis, words, finding?.entryId)),
  };
}
