import { type Heat, heatedCents } from "./engine.ts";
import { type Evidence, HAND_BACK, type Model, NOTHING_WRONG, type Rates } from "./model/index.ts";
import { toNetwork } from "./network.ts";
import { logWeights } from "./posterior.ts";
import { Search } from "./search.ts";

export interface NextAction {
  kind: "test" | "repair";
  id: string;
  /** Expected cost from here to the end of the job if this is done next. */
  expectedCents: number;
  because: string;
  /** What the engine wants first: heating from cold, or standing until it is cold, a night mostly. */
  first?: "heat" | "cool";
  /** True where it is had on the warm-up that was just run. */
  isAlong?: true;
}

const percent = (share: number) => `${share > 0 && share < 0.005 ? "under 1" : Math.round(share * 100)} %`;

/** Shares after what was ruled out is gone, in the model's order. */
function shares(model: Model, evidence: Evidence, ruledOut: readonly string[]): Float64Array {
  const unknown = ruledOut.find((id) => !model.hypotheses.some((hypothesis) => hypothesis.id === id));
  if (unknown !== undefined)
    throw new RangeError(`“${unknown}” is ruled out and no hypothesis of this model`);
  const logs = logWeights(model, evidence).map((log, index) =>
    ruledOut.includes(model.hypotheses[index]?.id ?? "") ? Number.NEGATIVE_INFINITY : log,
  );
  const high = logs.reduce((most, log) => Math.max(most, log), Number.NEGATIVE_INFINITY);
  if (high === Number.NEGATIVE_INFINITY)
    throw new RangeError(
      "nothing is left: every hypothesis is ruled out by results or repairs. Repeat the odd result.",
    );
  const weights = logs.map((log) => Math.exp(log - high));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / total);
}

function topOf(model: Model, weights: ArrayLike<number>, mass: number): string {
  let best = 0;
  for (let i = 1; i < weights.length; i++) if ((weights[i] ?? 0) > (weights[best] ?? 0)) best = i;
  const { name, id } = model.hypotheses[best] ?? { id: "" };
  return `${name ?? id} ${percent((weights[best] ?? 0) / mass)}`;
}

function becauseOfTest(model: Model, test: Model["tests"][number], now: Float64Array): string {
  return test.outcomes
    .map((outcome) => {
      const weights = new Float64Array(now.length);
      let mass = 0;
      for (let i = 0; i < now.length; i++) {
        const weight = (now[i] ?? 0) * (outcome.given[model.hypotheses[i]?.id ?? ""] ?? 0);
        weights[i] = weight;
        mass += weight;
      }
      const name = outcome.name ?? outcome.id;
      return mass > 0
        ? `${name} (${percent(mass)}) leaves ${topOf(model, weights, mass)}`
        : `${name} can't come`;
    })
    .join("; ");
}

function becauseOfRepair(model: Model, repair: Model["repairs"][number], now: Float64Array): string {
  const fixes = repair.id === HAND_BACK ? [NOTHING_WRONG] : repair.fixes;
  const share = model.hypotheses.reduce(
    (sum, { id }, index) => sum + (fixes.includes(id) ? (now[index] ?? 0) : 0),
    0,
  );
  const rest = now.map((each, index) => (fixes.includes(model.hypotheses[index]?.id ?? "") ? 0 : each));
  const left = 1 - share;
  const ends = repair.id === HAND_BACK ? "is right" : "ends it";
  return `${ends} with ${percent(share)}${left > 0.005 ? `; if not, ${topOf(model, rest, left)} comes next` : ""}`;
}

/**
 * What to do next, best first: every test not done and every repair that could still help, each with the expected cost
 * from here to the end of the job in cents if it is done next and the cheapest is done from then on. A repair costs its
 * minutes, parts and a recheck; handing back as nothing wrong has no recheck and costs a comeback where it was wrong.
 * Decision-theoretic troubleshooting (Heckerman, Breese and Rommelse, 1995), searched deeper while its allowance of
 * pricings lasts; without clock or chance, so the same question has the same answer. `ruledOut` are hypotheses whose
 * repair was tried in vain; `heat` is how the engine stands, and a test that waits for another one, or a repair that does,
 * is not among the actions. Throws `RangeError` for a model, evidence or rates that can't be reckoned with and where
 * nothing possible is left.
 */
export function nextActions(
  model: Model,
  evidence: Evidence,
  rates: Rates,
  ruledOut: readonly string[] = [],
  { heat = "cold" }: { heat?: Heat } = {},
): NextAction[] {
  const now = shares(model, evidence, ruledOut);
  const network = toNetwork(model, rates);
  const done = Uint8Array.from(model.tests, (test) =>
    evidence.some((each) => each.test === test.id) ? 1 : 0,
  );
  const { tests, repairs } = new Search(network).price(now, done, heat);
  const actions: NextAction[] = [];
  for (const [index, test] of model.tests.entries()) {
    const expectedCents = tests[index] ?? Number.POSITIVE_INFINITY;
    if (done[index] || expectedCents === Number.POSITIVE_INFINITY) continue;
    const wait = heatedCents(network, index, heat) - (network.tests[index]?.cents ?? 0);
    actions.push({
      kind: "test",
      id: test.id,
      expectedCents,
      because: becauseOfTest(model, test, now),
      ...(wait > 0 ? { first: network.tests[index]?.need === "hot" ? "heat" : "cool" } : {}),
      ...(wait < 0 ? { isAlong: true } : {}),
    });
  }
  for (const [index, repair] of model.repairs.entries()) {
    const helps = network.repairs[index]?.fixed.some((each) => (now[each] ?? 0) > 0);
    const expectedCents = repairs[index] ?? Number.POSITIVE_INFINITY;
    if (!helps || expectedCents === Number.POSITIVE_INFINITY) continue;
    actions.push({
      kind: "repair",
      id: repair.id,
      expectedCents,
      because: becauseOfRepair(model, repair, now),
    });
  }
  return actions.sort((a, b) => a.expectedCents - b.expectedCents);
}
