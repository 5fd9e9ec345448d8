import type { Verdict } from "../../kernel/verdict/index.ts";
import { CIRCUITS, type CircuitKind, testOf, testsOf } from "../../trade/diagnosis/knowledge/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import {
  CANNOT_WORDS,
  type CannotBecause,
  CannotTest,
  dataOf,
  FanCircuit,
  Finding,
  FUSE_CAUSES,
  FuseCause,
  type FuseCauseId,
  OwnTest,
  TestOutcome,
  TriedRepair,
} from "../facts/index.ts";
import { instead, saying } from "./about.ts";

/** A test's outcome, by the ids that the knowledge has for them; `seen` where the person says more than its name. */
export function answeredTest(
  {
    test: id,
    outcome: outcomeId,
    circuit,
    seen,
  }: { test: string; outcome: string; circuit?: CircuitKind; seen?: string },
  earlierId?: string,
): EntryDraft {
  const test = (circuit && testsOf(CIRCUITS[circuit]).find((each) => each.id === id)) ?? testOf(id);
  const outcome = test.outcomes.find((each) => each.id === outcomeId);
  return {
    kind: "test",
    item: test.name,
    text: seen ?? outcome?.name ?? "Not sure",
    data: dataOf(TestOutcome, {
      test: id,
      outcome: outcomeId,
      verdict: outcome?.verdict ?? "not-seen",
      ...(test.hazards.length > 0 ? { hazardsRead: true } : {}),
    }),
    ...instead(earlierId),
  };
}

/** A test that can't be done here, and why. */
export const cannotTest = (test: string, why: CannotBecause): EntryDraft => ({
  kind: "decision",
  item: testOf(test).name,
  text: `can't be done here: ${CANNOT_WORDS[why]}`,
  data: dataOf(CannotTest, { test, why }),
});

/** A repair that was tried before and that changed nothing. */
export const triedRepair = (repair: string, name: string): EntryDraft => ({
  kind: "decision",
  item: name,
  text: "tried, the trouble stayed",
  data: dataOf(TriedRepair, { repair }),
});

/** What it is, by one of the hypotheses; in the place of an earlier verdict where there is one. */
export const decided = (hypothesis: string, words: string, earlierId?: string): EntryDraft => ({
  kind: "decision",
  item: "finding",
  text: words,
  data: dataOf(Finding, { finding: hypothesis === "nothing-wrong" ? "nothing-wrong" : "fault", hypothesis }),
  ...instead(earlierId),
});

/** What it is in the person's own words: a fault that no hypothesis names, or nothing wrong. */
export const decidedInWords = (
  finding: "fault" | "nothing-wrong",
  words: string,
  earlierId?: string,
): EntryDraft =>
  finding === "nothing-wrong"
    ? decided(finding, words || "Within its card, nothing wrong", earlierId)
    : {
        kind: "decision",
        item: "finding",
        text: words,
        data: dataOf(Finding, { finding }),
        ...instead(earlierId),
      };

/** A test that only the person or a calculation knows, with how it went. It moves no belief. */
export const testedOwn = (what: string, verdict: Verdict, seen?: string): EntryDraft => ({
  kind: "test",
  item: what,
  ...saying(seen),
  data: dataOf(OwnTest, { verdict }),
});

/** How the fan is switched, seen on the car. */
export const settledCircuit = (circuit: CircuitKind): EntryDraft => ({
  kind: "decision",
  item: "fan circuit",
  text: CIRCUITS[circuit].name,
  data: dataOf(FanCircuit, { circuit }),
});

/** What blew the fuse. */
export const blewBy = (cause: FuseCauseId): EntryDraft => ({
  kind: "decision",
  item: "what blew the fuse",
  text: FUSE_CAUSES[cause],
  data: dataOf(FuseCause, { cause }),
});

/** A sentence for the owner, kept as it was worded. */
export const toldOwner = (text: string): EntryDraft => ({
  kind: "note",
  item: "for the owner",
  text: text.slice(0, MOST_LETTERS),
});
const MOST_LETTERS = 2000;
