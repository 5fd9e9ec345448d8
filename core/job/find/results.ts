import { testOf } from "../../diagnosis/knowledge/index.ts";
import { type Entry, standing } from "../../ledger/index.ts";

/** What a person saw where they can't be sure. It is no evidence, and the test is not offered again. */
export const UNSURE = "unsure";

export interface Result {
  test: string;
  outcome: string;
  entryId: string;
  at: string;
  by: string;
  /** Who says it: a person who did the test, a booked log, or a reading taken with the fan in mind. */
  from: "person" | "log" | "reading";
}

const text = (value: unknown): string | undefined => (typeof value === "string" ? value : undefined);

interface LogCheck {
  verdict?: string;
  because?: string;
  measured?: number;
  expected?: number;
}

/** A bend this far below the card's opening is no opening: it was open all along. */
const NEVER_SHUT_C = 12;

/** How a thermostat failed, by the figures of the log's check and its words. */
function failureOf({ because = "", measured, expected }: LogCheck): string {
  if (/hangs open/.test(because)) return "early";
  if (/did not open/.test(because)) return "never";
  return measured !== undefined && expected !== undefined && measured < expected - NEVER_SHUT_C
    ? "early"
    : "late";
}

/** What the checks of a warm-up log say to the tests that ask for the same. */
function resultsOfLog(entry: Entry): { test: string; outcome: string }[] {
  const checks = (entry.data?.checks ?? {}) as Record<string, LogCheck>;
  const verdictOf = (check: string) => checks[check]?.verdict;
  const results: { test: string; outcome: string }[] = [];
  const started = verdictOf("fanOn");
  if (started === "pass" && verdictOf("peak") !== "fail")
    results.push({ test: "warm-up", outcome: "as-card" });
  else if (started === "pass") results.push({ test: "warm-up", outcome: "boils" });
  else if (started === "fail")
    results.push({
      test: "warm-up",
      outcome: /did not start/.test(checks.fanOn?.because ?? "") ? "no-fan" : "elsewhere",
    });
  else if (started === "not-seen") results.push({ test: "warm-up", outcome: "never-there" });
  const opened = verdictOf("thermostat");
  if (opened === "pass") results.push({ test: "thermostat-watch", outcome: "opens" });
  else if (opened === "fail")
    results.push({ test: "thermostat-watch", outcome: failureOf(checks.thermostat ?? {}) });
  if (verdictOf("soak") === "pass") results.push({ test: "live-cold", outcome: "agree" });
  return results;
}

/** Past the start by more than a switch's tolerance a fan that stands still is a dead one. */
const TOLERANCE_C = 4;

/** "ect 101 fan none": hot enough for the first stage, and no fan heard. */
function resultsOfReading(entry: Entry, fanOnC: readonly number[]): { test: string; outcome: string }[] {
  const [startC] = fanOnC;
  const isHot = startC !== undefined && entry.unit === "°C" && (entry.value ?? 0) > startC + TOLERANCE_C;
  return isHot && entry.data?.fan === "none" ? [{ test: "warm-up", outcome: "no-fan" }] : [];
}

/**
 * Every result of Find that counts, oldest first: what people saw, what logs say that were booked before anything was
 * taken off (a log after the repair proves the repair, not the fault), and readings past the card's start without a fan.
 * The latest of one test stands, but a person's own result is not overruled by a log or a reading.
 */
export function resultsOf(entries: readonly Entry[], fanOnC: readonly number[] = []): Result[] {
  const counting = standing(entries);
  const firstOut =
    counting.find((entry) => entry.stage === "strip" && (entry.out ?? 0) > 0)?.seq ??
    Number.POSITIVE_INFINITY;
  const results = new Map<string, Result>();
  for (const entry of counting) {
    const { id: entryId, at, by } = entry;
    const test = text(entry.data?.test);
    const outcome = text(entry.data?.outcome);
    const from = test && outcome ? "person" : typeof entry.data?.logId === "string" ? "log" : "reading";
    if (from !== "person" && entry.seq > firstOut) continue;
    const found =
      test && outcome
        ? [{ test, outcome }]
        : from === "log"
          ? resultsOfLog(entry)
          : resultsOfReading(entry, fanOnC);
    for (const each of found) {
      if (from !== "person" && results.get(each.test)?.from === "person") continue;
      results.delete(each.test);
      results.set(each.test, { ...each, entryId, at, by, from });
    }
  }
  return [...results.values()];
}

/** Tests that somebody said can't be done here, with the entry that says so. */
export function cannotOf(entries: readonly Entry[]): { test: string; entryId: string; because: string }[] {
  return standing(entries).flatMap((entry) => {
    const test = text(entry.data?.cannot);
    return test ? [{ test, entryId: entry.id, because: entry.text ?? "" }] : [];
  });
}

/** Whether a test has such an outcome; what a person can send is checked by it. */
export function isOutcome(test: string, outcome: string): boolean {
  try {
    const { outcomes } = testOf(test);
    return outcome === UNSURE || outcomes.some(({ id }) => id === outcome);
  } catch {
    return false;
  }
}
