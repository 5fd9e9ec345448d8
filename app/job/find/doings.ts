import {
  type CannotBecause,
  CannotTest,
  dataOf,
  Finding,
  TestOutcome,
  TriedRepair,
} from "../../../core/book/facts/index.ts";
import { type Belief } from "../../../core/stages/find/index.ts";
import type { findingOf } from "../../../core/state/index.ts";
import { testOf, testsOf, UNSURE } from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { JobContext } from "../stage/context.ts";
import { CANNOT } from "./outcome-keys.ts";

/** The ways to add to what Find knows: each one line in the book. */
export function doingsOf(
  book: JobContext["book"],
  belief: Belief | undefined,
  finding: ReturnType<typeof findingOf>,
) {
  /** Books an outcome; one that is there already is corrected by it, so that a test counts once. */
  const report = (testId: string, outcomeId: string, seen?: string) => {
    const test = (belief && testsOf(belief.circuit).find(({ id }) => id === testId)) ?? testOf(testId);
    const outcome = test.outcomes.find(({ id }) => id === outcomeId);
    const earlier = belief?.results.find((result) => result.test === testId && result.from === "person");
    book({
      kind: "test",
      item: test.name,
      text: seen ?? outcome?.name ?? "Not sure",
      data: dataOf(TestOutcome, {
        test: testId,
        outcome: outcomeId,
        verdict: outcome?.verdict ?? "not-seen",
        ...(test.hazards.length > 0 ? { hazardsRead: true } : {}),
      }),
      ...(earlier ? { corrects: earlier.entryId } : {}),
    });
  };
  const unsure = (testId: string) => report(testId, UNSURE);
  const cannot = (testId: string, why: CannotBecause) =>
    book({
      kind: "decision",
      item: testOf(testId).name,
      text: `can't be done here: ${CANNOT.find((each) => each.why === why)?.reason ?? why}`,
      data: dataOf(CannotTest, { test: testId, why }),
    });
  const tried = (repair: string, name: string) =>
    book({
      kind: "decision",
      item: name,
      text: "tried, the trouble stayed",
      data: dataOf(TriedRepair, { repair }),
    });
  const strike = (entryId: string, kind: "test" | "decision") => book({ kind, corrects: entryId });
  const decide = (hypothesis: string, words: string) =>
    book({
      kind: "decision",
      item: "finding",
      text: words,
      data: dataOf(Finding, {
        finding: hypothesis === "nothing-wrong" ? "nothing-wrong" : "fault",
        hypothesis,
      }),
      ...(finding ? { corrects: finding.entryId } : {}),
    });
  return { report, unsure, cannot, tried, strike, decide };
}
