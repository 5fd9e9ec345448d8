/**
 * A diagnosis as plain data, so that any network can be put through it. Exactly one hypothesis is true. Names are what
 * the reasons are written with; without them the ids are.
 */
export interface Model {
  /** Weights are relative; they need not add up to one. */
  hypotheses: readonly ModelHypothesis[];
  tests: readonly ModelTest[];
  repairs: readonly ModelRepair[];
}

export interface ModelHypothesis {
  id: string;
  weight: number;
  name?: string;
  /** What it costs where a car with this fault is handed back as sound, in place of the rates' own figure. */
  comebackCents?: number;
}

export interface ModelTest {
  id: string;
  minutes: number;
  name?: string;
  /** What the engine must be for it: cold, heated from cold by it, or hot already; absent where it doesn't matter. */
  engine?: "cold" | "heats" | "hot";
  /** Tests of one name here, done one after the other from one cold start, are one warm-up. */
  shares?: string;
  /** Tests of this model that come before it; those the model lacks are not waited for. */
  after?: readonly string[];
  /** `given[h]` is P(this outcome | h); over a test's outcomes they add up to one for every hypothesis. */
  outcomes: readonly { id: string; name?: string; given: Readonly<Record<string, number>> }[];
}

export interface ModelRepair {
  id: string;
  minutes: number;
  partsCents: number;
  fixes: readonly string[];
  name?: string;
  /** Tests of this model without which it is not offered. */
  after?: readonly string[];
}

/** Each test is done at most once; outcomes are independent given the hypothesis. */
export type Evidence = readonly { test: string; outcome: string }[];

export interface Rates {
  centsPerMinute: number;
  /** Minutes it takes to see whether a repair was the right one. */
  recheckMinutes: number;
  /** What it costs when a car handed back as sound comes back. */
  comebackCents: number;
  /** Working minutes it takes to have a cold engine hot, and what waiting until a hot one is cold is worth of them. */
  heatMinutes?: number;
  coolMinutes?: number;
  /** A second test on a warm-up that is run anyway takes this much, minutes. */
  alongMinutes?: number;
}

/** The hypothesis that is always one, and the repair that goes with it. */
export const NOTHING_WRONG = "nothing-wrong";
export const HAND_BACK = "hand-back";

/** How far a row of probabilities may be from one: what rounding to four places leaves. */
const ROUNDING = 1e-3;

const unique = (ids: readonly string[], what: string) => {
  const twice = ids.find((id, index) => ids.indexOf(id) !== index);
  if (twice !== undefined) throw new RangeError(`${what} “${twice}” stands twice in the model`);
};

const positive = (figure: number, what: string) => {
  if (!(figure >= 0 && Number.isFinite(figure)))
    throw new RangeError(`${what} is ${figure}; it must be 0 or more`);
};

/** Outcomes that were looked through, and for which hypotheses: the models of one circuit share them. */
const likelihoodsChecked = new WeakMap<ModelTest["outcomes"], string>();

function checkTest(test: ModelTest, hypotheses: readonly string[]): void {
  positive(test.minutes, `minutes of the test “${test.id}”`);
  if (test.outcomes.length < 2)
    throw new RangeError(`the test “${test.id}” has ${test.outcomes.length} outcomes; it wants at least two`);
  unique(
    test.outcomes.map((outcome) => outcome.id),
    `the outcome of “${test.id}”,`,
  );
  const key = hypotheses.join();
  if (likelihoodsChecked.get(test.outcomes) === key) return;
  for (const hypothesis of hypotheses) {
    let sum = 0;
    for (const outcome of test.outcomes) {
      const given = outcome.given[hypothesis];
      if (given === undefined || !(given >= 0 && given <= 1)) {
        throw new RangeError(
          `the test “${test.id}” does not say how likely “${outcome.id}” is given “${hypothesis}”: it says ${given}, a figure from 0 to 1 is wanted`,
        );
      }
      sum += given;
    }
    if (Math.abs(sum - 1) > ROUNDING)
      throw new RangeError(
        `the outcomes of “${test.id}” given “${hypothesis}” add up to ${sum.toFixed(3)}; they must add up to 1`,
      );
  }
  likelihoodsChecked.set(test.outcomes, key);
}

/** Throws a `RangeError` that names the place where a model can't be reckoned with. */
export function checkModel(model: Model): void {
  const ids = model.hypotheses.map((hypothesis) => hypothesis.id);
  if (ids.length === 0) throw new RangeError("the model has no hypothesis; it wants at least one");
  unique(ids, "the hypothesis");
  unique(
    model.tests.map((test) => test.id),
    "the test",
  );
  unique(
    model.repairs.map((repair) => repair.id),
    "the repair",
  );
  for (const { id, weight, comebackCents = 0 } of model.hypotheses) {
    positive(weight, `the weight of “${id}”`);
    positive(comebackCents, `the comeback of “${id}”`);
  }
  if (!model.hypotheses.some((hypothesis) => hypothesis.weight > 0))
    throw new RangeError("every hypothesis has the weight 0; at least one must be possible");
  for (const test of model.tests) checkTest(test, ids);
  for (const { id, minutes, partsCents } of model.repairs) {
    positive(minutes, `minutes of the repair “${id}”`);
    positive(partsCents, `parts of the repair “${id}”`);
  }
  const unfixed = ids.find((id) => !model.repairs.some((repair) => repair.fixes.includes(id)));
  if (unfixed !== undefined)
    throw new RangeError(`no repair fixes “${unfixed}”, so the work could never end`);
}

const checked = new WeakSet<Model>();

/** The same, once a model. */
export function trustModel(model: Model): void {
  if (checked.has(model)) return;
  checkModel(model);
  checked.add(model);
}

/** The outcomes that came, each with its test; refuses what the model doesn't know and a test done twice. */
export function readEvidence(model: Model, evidence: Evidence) {
  const done = new Set<string>();
  return evidence.map(({ test: testId, outcome: outcomeId }) => {
    const test = model.tests.find((each) => each.id === testId);
    if (!test) throw new RangeError(`“${testId}” is no test of this model`);
    if (done.has(testId))
      throw new RangeError(`“${testId}” stands twice in the evidence; withdraw one of the two results`);
    done.add(testId);
    const outcome = test.outcomes.find((each) => each.id === outcomeId);
    if (!outcome)
      throw new RangeError(
        `“${outcomeId}” is no outcome of “${testId}”; it has ${test.outcomes.map((each) => each.id).join(", ")}`,
      );
    return { test, outcome };
  });
}
