import { HAND_BACK, type Model, NOTHING_WRONG, type Rates } from "./model.ts";
import { nextActions } from "./next-actions.ts";

type Weights = readonly number[];

const sum = (figures: Weights) => figures.reduce((total, figure) => total + figure, 0);

interface Move {
  cents: number;
  /** What may come of it: the weights then, and what it adds to the state. */
  leads: { weights: Weights; step: string; extraCents: number }[];
}

/** Every move of a state, straight from the rules. Weights are not normalised, so costs are times their mass. */
function movesOf(model: Model, rates: Rates, weights: Weights, done: ReadonlySet<string>): Map<string, Move> {
  const moves = new Map<string, Move>();
  for (const test of model.tests) {
    if (done.has(test.id)) continue;
    moves.set(test.id, {
      cents: test.minutes * rates.centsPerMinute,
      leads: test.outcomes.map((outcome) => ({
        weights: weights.map((weight, i) => weight * (outcome.given[model.hypotheses[i]?.id ?? ""] ?? 0)),
        step: `${test.id}=${outcome.id}`,
        extraCents: 0,
      })),
    });
  }
  for (const repair of model.repairs) {
    const isHandBack = repair.id === HAND_BACK;
    const fixes = isHandBack ? [NOTHING_WRONG] : repair.fixes;
    const left = weights.map((weight, i) => (fixes.includes(model.hypotheses[i]?.id ?? "") ? 0 : weight));
    if (sum(left) === sum(weights)) continue;
    const minutes = repair.minutes + (isHandBack ? 0 : rates.recheckMinutes);
    moves.set(repair.id, {
      cents: minutes * rates.centsPerMinute + (isHandBack ? 0 : repair.partsCents),
      leads: [{ weights: left, step: repair.id, extraCents: isHandBack ? rates.comebackCents : 0 }],
    });
  }
  return moves;
}

const keyOf = (steps: ReadonlySet<string>) => [...steps].sort().join("|");

/**
 * The exact optimum by recursion over everything that can happen, each state once; only for networks small enough. A
 * state is which outcome each test had, as digits, and what repairs have ruled out, as bits.
 */
export function exactCents(model: Model, rates: Rates): number {
  const ids = model.hypotheses.map((each) => each.id);
  const tests = model.tests.map((test) => ({
    cents: test.minutes * rates.centsPerMinute,
    rows: test.outcomes.map((outcome) => ids.map((id) => outcome.given[id] ?? 0)),
  }));
  const repairs = model.repairs.map((repair) => {
    const isHandBack = repair.id === HAND_BACK;
    const fixes = isHandBack ? [NOTHING_WRONG] : repair.fixes;
    const minutes = repair.minutes + (isHandBack ? 0 : rates.recheckMinutes);
    return {
      cents: minutes * rates.centsPerMinute + (isHandBack ? 0 : repair.partsCents),
      wrongCents: isHandBack ? rates.comebackCents : 0,
      bits: ids.reduce((bits, id, i) => bits + (fixes.includes(id) ? 2 ** i : 0), 0),
    };
  });
  const digit = tests.map((_, t) => 2 ** ids.length * 8 ** t);
  const leastCents = ids.map((_, i) =>
    Math.min(...repairs.filter(({ bits }) => bits & (1 << i)).map(({ cents }) => cents)),
  );
  const memory = new Map<number, number>();
  const solve = (weights: number[], key: number, done: number): number => {
    let mass = 0;
    let floor = 0;
    for (let i = 0; i < weights.length; i++) {
      mass += weights[i] as number;
      floor += (weights[i] as number) * (leastCents[i] as number);
    }
    if (mass < 1e-12) return 0;
    const known = memory.get(key);
    if (known !== undefined) return known;
    let best = Number.POSITIVE_INFINITY;
    const out = key % 2 ** ids.length;
    for (const { cents, wrongCents, bits } of repairs) {
      const left = weights.map((weight, i) => (bits & (1 << i) ? 0 : weight));
      const mended = mass - sum(left);
      if (mended <= 0) continue;
      const price = cents * mass + wrongCents * (mass - mended);
      if (price < best) best = Math.min(best, price + solve(left, key - out + (out | bits), done));
    }
    for (const [t, { cents, rows }] of tests.entries()) {
      if (done & (1 << t) || cents * mass + floor >= best) continue;
      let price = cents * mass;
      for (const [o, row] of rows.entries()) {
        const next = weights.map((weight, i) => weight * (row[i] as number));
        price += solve(next, key + (digit[t] as number) * (o + 1), done | (1 << t));
        if (price >= best) break;
      }
      best = Math.min(best, price);
    }
    memory.set(key, best);
    return best;
  };
  const total = sum(model.hypotheses.map((each) => each.weight));
  return solve(
    model.hypotheses.map((each) => each.weight / total),
    0,
    0,
  );
}

/** What following the planner's first action to the end costs, by walking everything that can happen. */
export function followedCents(model: Model, rates: Rates): number {
  const memory = new Map<string, number>();
  const follow = (
    weights: Weights,
    steps: ReadonlySet<string>,
    evidence: { test: string; outcome: string }[],
    ruledOut: string[],
  ): number => {
    const mass = sum(weights);
    if (mass < 1e-9) return 0;
    const key = keyOf(steps);
    const known = memory.get(key);
    if (known !== undefined) return known;
    const first = nextActions(model, evidence, rates, ruledOut)[0];
    const move =
      first && movesOf(model, rates, weights, new Set(evidence.map((each) => each.test))).get(first.id);
    if (!first || !move) throw new Error("the planner names nothing that can be done");
    let cents = mass * move.cents;
    for (const lead of move.leads) {
      const [, outcome] = lead.step.split("=");
      const fixed =
        first.id === HAND_BACK
          ? [NOTHING_WRONG]
          : (model.repairs.find((each) => each.id === first.id)?.fixes ?? []);
      cents += lead.extraCents * sum(lead.weights);
      cents +=
        first.kind === "test"
          ? follow(
              lead.weights,
              new Set([...steps, lead.step]),
              [...evidence, { test: first.id, outcome: outcome ?? "" }],
              ruledOut,
            )
          : follow(lead.weights, new Set([...steps, lead.step]), evidence, [
              ...new Set([...ruledOut, ...fixed]),
            ]);
    }
    memory.set(key, cents);
    return cents;
  };
  const total = sum(model.hypotheses.map((each) => each.weight));
  return follow(
    model.hypotheses.map((each) => each.weight / total),
    new Set(),
    [],
    [],
  );
}

/** A network by chance: hypotheses with nothing wrong among them, tests that see some of them, a repair for each. */
export function chanceModel(random: () => number, { hypotheses = 9, tests = 8 } = {}): Model {
  const ids = [...Array.from({ length: hypotheses - 1 }, (_, i) => `h${i}`), NOTHING_WRONG];
  const between = (low: number, high: number) => low + (high - low) * random();
  const whole = (low: number, high: number) => Math.round(between(low, high));
  return {
    hypotheses: ids.map((id) => ({ id, weight: between(0.02, 1) ** 2 })),
    tests: Array.from({ length: tests }, (_, t) => {
      const sees = new Set(ids.filter(() => random() < 0.4));
      const isSharp = between(0.8, 0.99);
      const fail = Object.fromEntries(ids.map((id) => [id, sees.has(id) ? isSharp : 1 - isSharp]));
      return {
        id: `t${t}`,
        minutes: whole(1, 15),
        outcomes: [
          { id: "pass", given: Object.fromEntries(ids.map((id) => [id, 1 - (fail[id] ?? 0)])) },
          { id: "fail", given: fail },
        ],
      };
    }),
    repairs: [
      ...ids.slice(0, -1).map((id, i) => ({
        id: `r${i}`,
        minutes: whole(5, 120),
        partsCents: whole(0, 40_000),
        fixes: random() < 0.25 && i > 0 ? [id, `h${i - 1}`] : [id],
      })),
      { id: HAND_BACK, minutes: 10, partsCents: 0, fixes: [NOTHING_WRONG] },
    ],
  };
}
