import { useEffect, useMemo, useState } from "react";
import type { History } from "../../../core/diagnosis/index.ts";
import { testOf, testsOf } from "../../../core/diagnosis/knowledge/index.ts";
import {
  type CannotBecause,
  CannotTest,
  CoolantLevel,
  dataOf,
  FanCircuit,
  FanHeard,
  Finding,
  factOf,
  TestOutcome,
  TriedRepair,
  WarmUpLog,
} from "../../../core/facts/index.ts";
import { circuitOf, type FindState, findState, UNSURE, verdictOffer } from "../../../core/job/find/index.ts";
import { findingOf } from "../../../core/job/index.ts";
import type { Entry } from "../../../core/ledger/index.ts";
import { useJob } from "../context.ts";
import { CANNOT } from "./outcome-keys.ts";

/** Entries that move what Find knows; typing bolts into the book does not think the plan over again. */
const MOVES = [TestOutcome, CannotTest, TriedRepair, FanCircuit, WarmUpLog, FanHeard, CoolantLevel];
const matters = (entry: Entry) =>
  entry.stage === "ask" ||
  entry.corrects !== undefined ||
  entry.unit === "°C" ||
  MOVES.some((kind) => factOf(entry)?.fact instanceof kind);

const HOUR_MS = 3_600_000;

const hourNow = () => Math.floor(Date.now() / HOUR_MS);

/** Which hour it is, so that what has cooled or is tomorrow comes back by itself. */
function useHour(): number {
  const [hour, setHour] = useState(hourNow);
  useEffect(() => {
    const timer = setInterval(() => setHour(hourNow), HOUR_MS / 4);
    return () => clearInterval(timer);
  }, []);
  return hour;
}

/** What Find knows, and the ways to add to it. */
export function useFind(history: History, isAfterWork: boolean, notOnThisCar: readonly string[]) {
  const { page, entries, book, mayBook } = useJob();
  const kind = circuitOf(entries, page.card?.circuit);
  const moved = entries
    .filter(matters)
    .map(({ id }) => id)
    .join();
  const hour = useHour();
  // biome-ignore lint/correctness/useExhaustiveDependencies: entries count by those that matter
  const state = useMemo(
    (): FindState | undefined =>
      kind &&
      findState(entries, kind, {
        history,
        fanOnC: page.card?.fanOnC,
        fanSenses: page.card?.fanSenses,
        isAfterWork,
        notOnThisCar,
        now: new Date().toISOString(),
      }),
    [kind, moved, history, isAfterWork, notOnThisCar, hour],
  );
  const finding = findingOf(entries);
  const offer = useMemo(() => state && verdictOffer(state), [state]);

  /** Books an outcome; one that is there already is corrected by it, so that a test counts once. */
  const report = (testId: string, outcomeId: string, seen?: string) => {
    const test = (state && testsOf(state.circuit).find(({ id }) => id === testId)) ?? testOf(testId);
    const outcome = test.outcomes.find(({ id }) => id === outcomeId);
    const earlier = state?.results.find((result) => result.test === testId && result.from === "person");
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
  return { kind, state, offer, finding, mayBook, report, unsure, cannot, tried, strike, decide };
}

export type Find = ReturnType<typeof useFind>;
/** Find where the circuit is known. */
export type KnownFind = Find & { state: FindState };
