import { HAND_BACK, type Model, NOTHING_WRONG, type Rates } from "./model/index.ts";
import { nextActions } from "./next-actions.ts";

type Weights = readonly number[];

/** Not done, or one of so many outcomes less one. */
const MOST_OUTCOMES = 10;

const sum = (figures: Weights) => figures.reduce((total, figure) => total + figure, 0);

interface Move {
  cents: number;
  /** What may come of it: the weights then, and what it adds to the state. */
  leads: { weights: Weights; step: string; extraCents: Weights }[];
}

/** How an engine stands, as the rules tell it: cold, hot, or hot by a warm-up of this name that still runs. */
type Engine = "cold" | "hot" | { shares: string };
type Test = Model["tests"][number];

function minutesFrom(engine: Engine, { minutes, engine: need, shares }: Test, rates: Rates): number {
  const isCold = engine === "cold";
  if (need === "hot" && isCold) return minutes + (rates.heatMinutes ?? 0);
  if (need === "cold" && !isCold) return minutes + (rates.coolMinutes ?? 0);
  if (need !== "heats" || isCold) return minutes;
  const isShared = typeof engine === "object" && engine.shares === shares;
  return isShared ? Math.min(minutes, rates.alongMinutes ?? 0) : minutes + (rates.coolMinutes ?? 0);
}

function engineAfter(engine: Engine, { engine: need, shares }: Test): Engine {
  if (need === undefined) return engine;
  if (need === "cold") return "cold";
  return need === "heats" && shares !== undefined ? { shares } : "hot";
}

/** Tests of the model that must come first and aren't done. */
const waitsFor = (
  model: Model,
  { after = [] }: { after?: readonly string[] },
  isDone: (id: string) => boolean,
) => after.some((id) => model.tests.some((test) => test.id === id) && !isDone(id));

/** What each hypothesis costs where the car was handed back as sound. */
const comebacksOf = ({ hypotheses }: Model, rates: Rates): number[] =>
  hypotheses.map(({ comebackCents = rates.comebackCents }) => comebackCents);

/** Every move of a state, straight from the rules. Weights are not normalised, so costs are times their mass. */
function movesOf(
  model: Model,
  rates: Rates,
  weights: Weights,
  { done, engine }: { done: ReadonlySet<string>; engine: Engine },
): Map<string, Move> {
  const moves = new Map<string, Move>();
  for (const test of model.tests) {
    if (done.has(test.id) || waitsFor(model, test, (id) => done.has(id))) continue;
    moves.set(test.id, {
      cents: minutesFrom(engine, test, rates) * rates.centsPerMinute,
      leads: test.outcomes.map((outcome) => ({
        weights: weights.map((weight, i) => weight * (outcome.given[model.hypotheses[i]?.id ?? ""] ?? 0)),
        step: `${test.id}=${outcome.id}`,
        extraCents: [],
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
      leads: [{ weights: left, step: repair.id, extraCents: isHandBack ? comebacksOf(model, rates) : [] }],
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
  const groups = [...new Set(model.tests.map(({ shares }) => shares ?? ""))];
  const numberOf = (engine: Engine) =>
    engine === "cold" ? 0 : engine === "hot" ? 1 : 2 + groups.indexOf(engine.shares);
  const placeOf = (id: string) => model.tests.findIndex((test) => test.id === id);
  const tests = model.tests.map((test) => ({
    test,
    rows: test.outcomes.map((outcome) => ids.map((id) => outcome.given[id] ?? 0)),
  }));
  const repairs = model.repairs.map((repair) => {
    const isHandBack = repair.id === HAND_BACK;
    const fixes = isHandBack ? [NOTHING_WRONG] : repair.fixes;
    const minutes = repair.minutes + (isHandBack ? 0 : rates.recheckMinutes);
    return {
      cents: minutes * rates.centsPerMinute + (isHandBack ? 0 : repair.partsCents),
      wrongCents: isHandBack ? comebacksOf(model, rates) : [],
      bits: ids.reduce((bits, id, i) => bits + (fixes.includes(id) ? 2 ** i : 0), 0),
    };
  });
  const engines = 2 + groups.length;
  const digit = tests.map((_, t) => 2 ** ids.length * MOST_OUTCOMES ** t);
  const leastCents = ids.map((_, i) =>
    Math.min(...repairs.filter(({ bits }) => bits & (1 << i)).map(({ cents }) => cents)),
  );
  const memory = new Map<number, number>();
  const solve = (weights: number[], key: number, done: number, engine: Engine): number => {
    let mass = 0;
    let floor = 0;
    for (let i = 0; i < weights.length; i++) {
      mass += weights[i] as number;
      floor += (weights[i] as number) * (leastCents[i] as number);
    }
    if (mass < 1e-12) return 0;
    const place = key * engines + numberOf(engine);
    const known = memory.get(place);
    if (known !== undefined) return known;
    let best = Number.POSITIVE_INFINITY;
    const isDone = (id: string) => Boolean(done & (1 << placeOf(id)));
    const out = key % 2 ** ids.length;
    for (const { cents, wrongCents, bits } of repairs) {
      const left = weights.map((weight, i) => (bits & (1 << i) ? 0 : weight));
      const mended = mass - sum(left);
      if (mended <= 0) continue;
      const price = cents * mass + sum(left.map((weight, i) => weight * (wrongCents[i] ?? 0)));
      if (price < best) best = Math.min(best, price + solve(left, key - out + (out | bits), done, "hot"));
    }
    for (const [t, { test, rows }] of tests.entries()) {
      if (done & (1 << t) || waitsFor(model, test, isDone)) continue;
      const cents = minutesFrom(engine, test, rates) * rates.centsPerMinute;
      if (cents * mass + floor >= best) continue;
      let price = cents * mass;
      for (const [o, row] of rows.entries()) {
        const next = weights.map((weight, i) => weight * (row[i] as number));
        price += solve(
          next,
          key + (digit[t] as number) * (o + 1),
          done | (1 << t),
          engineAfter(engine, test),
        );
        if (price >= best) break;
      }
      best = Math.min(best, price);
    }
    memory.set(place, best);
    return best;
  };
  const total = sum(model.hypotheses.map((each) => each.weight));
  return solve(
    model.hypotheses.map((each) => each.weight / total),
    0,
    0,
    "cold",
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
    engine: Engine,
  ): number => {
    const mass = sum(weights);
    if (mass < 1e-9) return 0;
    const key = `${keyOf(steps)} ${JSON.stringify(engine)}`;
    const known = memory.get(key);
    if (known !== undefined) return known;
    const first = nextActions(model, evidence, rates, ruledOut, {
      heat: typeof engine === "object" ? `warming ${engine.shares}` : engine,
    })[0];
    const move =
      first &&
      movesOf(model, rates, weights, { done: new Set(evidence.map((each) => each.test)), engine }).get(
        first.id,
      );
    if (!first || !move) throw new Error("the planner names nothing that can be done");
    const tested = model.tests.find(({ id }) => id === first.id);
    const next = first.kind === "test" && tested ? engineAfter(engine, tested) : "hot";
    let cents = mass * move.cents;
    for (const lead of move.leads) {
      const [, outcome] = lead.step.split("=");
      const fixed =
        first.id === HAND_BACK
          ? [NOTHING_WRONG]
          : (model.repairs.find((each) => each.id === first.id)?.fixes ?? []);
      cents += sum(lead.weights.map((weight, i) => weight * (lead.extraCents[i] ?? 0)));
      cents +=
        first.kind === "test"
          ? follow(
              lead.weights,
              new Set([...steps, lead.step]),
              [...evidence, { test: first.id, outcome: outcome ?? "" }],
              ruledOut,
              next,
            )
          : follow(
              lead.weights,
              new Set([...steps, lead.step]),
              evidence,
              [...new Set([...ruledOut, ...fixed])],
              next,
            );
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
    "cold",
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
