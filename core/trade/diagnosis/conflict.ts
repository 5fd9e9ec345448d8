import { type Evidence, type Model, NOTHING_WRONG, readEvidence } from "./model/index.ts";
import { logSum, logWeights } from "./posterior.ts";

export interface Conflict {
  /** The result that, left out, lets one fault explain the rest best: the one to repeat. */
  oddOneOut: { test: string; outcome: string };
  /** The two faults that together explain everything best, and how many times likelier that is than any single fault. */
  pair?: { faults: [string, string]; timesLikelier: number };
  because: string;
}

/**
 * A result less likely than this under the best single fault is a surprise worth a second look. Two outcomes stand for
 * the usual test: where there are more, each is rarer by itself and surprises less.
 */
const SURPRISE = 0.07;
/** One car in twenty that comes in with a cooling fault has two: what one hears from shops. */
const TWO_FAULTS = 0.05;
type Row = Readonly<Record<string, number>>;

/** How far apart two hypotheses are on one test: half the sum of differences, 0 to 1. */
const apart = (outcomes: readonly { given: Row }[], a: string, b: string) =>
  outcomes.reduce((sum, { given }) => sum + Math.abs((given[a] ?? 0) - (given[b] ?? 0)), 0) / 2;

/**
 * P(outcome | two faults): on each test the fault that moves it furthest from a sound car decides, in proportion. A test
 * that neither moves reads as on a sound car.
 */
function givenBoth(
  test: Model["tests"][number],
  given: Row,
  [first, second]: [string, string],
  sound: string | undefined,
): number {
  if (sound === undefined) return Math.max(given[first] ?? 0, given[second] ?? 0);
  const a = apart(test.outcomes, first, sound) ** 4;
  const b = apart(test.outcomes, second, sound) ** 4;
  if (a + b < 1e-9) return given[sound] ?? 0;
  return (a * (given[first] ?? 0) + b * (given[second] ?? 0)) / (a + b);
}

function likeliestPair(model: Model, evidence: Evidence) {
  const results = readEvidence(model, evidence);
  const sound = model.hypotheses.find(({ id }) => id === NOTHING_WRONG)?.id;
  const faults = model.hypotheses.filter(({ id, weight }) => id !== NOTHING_WRONG && weight > 0);
  const total = model.hypotheses.reduce((sum, { weight }) => sum + weight, 0);
  let best: { faults: [string, string]; log: number } | undefined;
  for (const [index, a] of faults.entries()) {
    for (const b of faults.slice(index + 1)) {
      const pair: [string, string] = [a.id, b.id];
      // The owner tells of the one that troubles most; the other may be any fault there is.
      const told = Math.max(a.weight, b.weight) / total;
      let log = Math.log((TWO_FAULTS * 2 * told) / faults.length);
      for (const { test, outcome } of results) log += Math.log(givenBoth(test, outcome.given, pair, sound));
      if (!best || log > best.log) best = { faults: pair, log };
    }
  }
  return best && { ...best, log: best.log + Math.log(total) };
}

/**
 * Says when no single fault explains the results: which one is the odd one out, to be repeated, and which two faults
 * together would explain all of them. Nothing where one fault explains everything well enough.
 * Bayesian comparison of the two accounts. Throws `RangeError` for a
 * model or evidence that can't be reckoned with.
 */
export function conflict(model: Model, evidence: Evidence): Conflict | undefined {
  if (evidence.length < 2) return undefined;
  const results = readEvidence(model, evidence);
  const logs = logWeights(model, evidence);
  const single = logSum(logs);
  const best = logs.indexOf(logs.reduce((high, log) => Math.max(high, log), Number.NEGATIVE_INFINITY));
  const bestId = model.hypotheses[best]?.id ?? "";
  const surprises =
    single === Number.NEGATIVE_INFINITY
      ? results
      : results.filter(
          ({ test, outcome }) => ((outcome.given[bestId] ?? 0) * test.outcomes.length) / 2 < SURPRISE,
        );
  if (surprises.length === 0) return undefined;
  // The result that gains most by being left out, set against what a result by chance would be worth.
  const gains = results.map(({ test, outcome }) => {
    const rest = evidence.filter((each) => each.test !== test.id);
    return {
      test: test.id,
      outcome: outcome.id,
      log: logSum(logWeights(model, rest)) - Math.log(test.outcomes.length),
    };
  });
  const odd = gains.reduce((high, each) => (each.log > high.log ? each : high));
  const pair = likeliestPair(model, evidence);
  const times = pair ? Math.exp(Math.min(700, pair.log - single)) : 0;
  const nameOf = (id: string) => model.hypotheses.find((each) => each.id === id)?.name ?? id;
  const testName = (id: string) => model.tests.find((each) => each.id === id)?.name ?? id;
  return {
    oddOneOut: { test: odd.test, outcome: odd.outcome },
    ...(pair ? { pair: { faults: pair.faults, timesLikelier: times } } : {}),
    because: `No single fault fits everything. The odd one out is “${testName(odd.test)}”: repeat it.${
      pair ? ` If it stands, the likeliest pair is ${pair.faults.map(nameOf).join(" and ")}.` : ""
    }`,
  };
}
