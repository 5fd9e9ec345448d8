import { type Heat, heatAfter, heatedCents } from "./engine.ts";
import { boundCents, type Network, Pricer, wrongCentsOf } from "./network.ts";

/** How many states may be priced before the search must answer: some ten milliseconds on a workshop's laptop. */
const MOST_PRICINGS = 560;
const MOST_DEPTH = 12;
/** How many of the best actions are looked into deeper, at the root and below it. */
const ROOT_BEAM = 8;
const BEAM = 4;
/** How many of the likeliest repairs are tried before further tests; the rest follow in any case at the end. */
const REPAIRS_TRIED = 4;
/** An outcome this unlikely changes no decision. */
const NEVER = 1e-12;

/** Marks for a state's key: which outcome of which test came, which repair was tried. Fixed, so that plans repeat. */
function marks(count: number, start: number): Uint32Array {
  let state = start >>> 0;
  return Uint32Array.from({ length: count }, () => {
    state = (state + 0x9e3779b9) >>> 0;
    let mixed = state ^ (state >>> 16);
    mixed = Math.imul(mixed, 0x21f0aaad);
    mixed ^= mixed >>> 15;
    mixed = Math.imul(mixed, 0x735a2d97);
    return (mixed ^ (mixed >>> 15)) >>> 0;
  });
}

interface State {
  weights: Float64Array;
  done: Uint8Array;
  heat: Heat;
  high: number;
  low: number;
}

interface Known {
  depth: number;
  cents: number;
}

/**
 * The best test tells its bits cheaply, the ones after it don't: what a bit costs on average to the end, in prices of the
 * best test's bit. At 7 the expected cost before the first test came within 3 % of what 600 virtual cars then cost.
 */
const DEARER = 7;

/**
 * Prices states by looking ahead: the cheapest of repairing now, of one more test and of one more repair followed by
 * what is best then, down to a depth. Below it a state is worth what perfect knowledge would cost plus the price of the
 * bits still to be learnt, or repairing without another test where that is less. All costs are times the state's mass.
 * Deepened step by step until the pricings are used up.
 */
export class Search {
  private readonly memory = new Map<number, Known>();
  private readonly heatMarks = new Map<Heat, number>();
  private readonly highs: Uint32Array;
  private readonly lows: Uint32Array;
  private readonly cheapestTest: number;
  /** Where a test's marks start, and the repairs' behind them. */
  private readonly firstMark: number[];
  private readonly pricer: Pricer;
  private readonly leaf: Float64Array;
  private centsPerBit = 0;
  private pricings = 0;

  constructor(
    private readonly network: Network,
    private readonly mostPricings = MOST_PRICINGS,
  ) {
    this.pricer = new Pricer(network);
    this.leaf = new Float64Array(network.size);
    let count = 0;
    this.firstMark = [...network.tests.map((test) => test.likelihood.length), network.repairs.length].map(
      (size) => {
        count += size;
        return count - size;
      },
    );
    this.highs = marks(count, 1);
    this.lows = marks(count, 77);
    this.cheapestTest = network.tests.reduce(
      (least, test) => Math.min(least, test.cents),
      Number.POSITIVE_INFINITY,
    );
  }

  private after(state: State, mark: number, given: Pick<State, "weights" | "done" | "heat">): State {
    return {
      ...given,
      high: (state.high ^ (this.highs[mark] ?? 0)) >>> 0,
      low: (state.low ^ (this.lows[mark] ?? 0)) >>> 0,
    };
  }

  private outcomeOf(
    state: State,
    test: number,
    outcome: number,
    done: Uint8Array,
    heat: Heat,
    weights: Float64Array = new Float64Array(this.network.size),
  ): State | undefined {
    const likelihood = this.network.tests[test]?.likelihood[outcome];
    if (!likelihood) return undefined;
    let mass = 0;
    for (let i = 0; i < weights.length; i++) {
      const weight = (state.weights[i] ?? 0) * (likelihood[i] ?? 0);
      weights[i] = weight;
      mass += weight;
    }
    if (mass < NEVER) return undefined;
    return this.after(state, (this.firstMark[test] ?? 0) + outcome, { weights, done, heat });
  }

  private withoutFixed(state: State, repair: number): State {
    const weights = Float64Array.from(state.weights);
    for (const index of this.network.repairs[repair]?.fixed ?? []) weights[index] = 0;
    // A repair's recheck is a warm-up.
    const { done } = state;
    return this.after(state, (this.firstMark[this.network.tests.length] ?? 0) + repair, {
      weights,
      done,
      heat: "hot",
    });
  }

  private isSpent(): boolean {
    return this.pricings > this.mostPricings;
  }

  /** Cost of doing a test and then the best, or at least `ceiling` once it is clear that it can't be cheaper. */
  testCents(state: State, test: number, depth: number, ceiling = Number.POSITIVE_INFINITY): number {
    const { network } = this;
    const mass = massOf(state.weights);
    let cents = mass * heatedCents(network, test, state.heat);
    const heat = heatAfter(network, test, state.heat);
    if (cents + boundCents(network, state.weights) >= ceiling) return Number.POSITIVE_INFINITY;
    // What is not looked into deeper is priced and forgotten: one room for all of it, since making rooms costs most.
    const isLeaf = depth <= 1;
    const done = isLeaf ? state.done : Uint8Array.from(state.done);
    if (!isLeaf) done[test] = 1;
    const outcomes = network.tests[test]?.likelihood.length ?? 0;
    for (let outcome = 0; outcome < outcomes; outcome++) {
      const next = this.outcomeOf(state, test, outcome, done, heat, isLeaf ? this.leaf : undefined);
      if (next) cents += this.bestCents(next, depth - 1);
      if (cents >= ceiling) return Number.POSITIVE_INFINITY;
    }
    return cents;
  }

  /** Cost of doing a repair and, where it was the wrong one, then the best. */
  repairCents(state: State, repair: number, depth: number): number {
    const it = this.network.repairs[repair];
    if (!it) return Number.POSITIVE_INFINITY;
    const rest = this.withoutFixed(state, repair);
    const left = massOf(rest.weights);
    return (
      it.cents * massOf(state.weights) +
      wrongCentsOf(it, rest.weights, left) +
      (left > 0 ? this.bestCents(rest, depth - 1) : 0)
    );
  }

  private likeliestRepairs(state: State): number[] {
    const ratios = this.network.repairs.map((repair, index) => {
      const fixed = repair.fixed.reduce((sum, each) => sum + (state.weights[each] ?? 0), 0);
      return { index, ratio: fixed / Math.max(repair.cents + repair.wrongCents, 1e-9) };
    });
    return ratios
      .filter(({ ratio, index }) => ratio > 0 && this.isDue(state, this.network.repairs[index]?.after))
      .sort((a, b) => b.ratio - a.ratio)
      .slice(0, REPAIRS_TRIED)
      .map(({ index }) => index);
  }

  /** Every test looked at once, then the most promising few as deep as asked. */
  private bestTestCents(state: State, depth: number, ceiling: number): number {
    let best = ceiling;
    const promising: { test: number; cents: number }[] = [];
    for (let test = 0; test < this.network.tests.length; test++) {
      if (state.done[test] || !this.isDue(state, this.network.tests[test]?.after)) continue;
      const cents = this.testCents(state, test, 1, depth > 1 ? Number.POSITIVE_INFINITY : best);
      best = Math.min(best, cents);
      if (depth > 1) promising.push({ test, cents });
    }
    promising.sort((a, b) => a.cents - b.cents);
    for (const { test } of promising.slice(0, BEAM)) {
      if (this.isSpent()) break;
      best = Math.min(best, this.testCents(state, test, depth, best));
    }
    return best;
  }

  /** Whether everything that comes before it is done. */
  private isDue(state: State, after: readonly number[] = []): boolean {
    return after.every((test) => state.done[test]);
  }

  private heatMark(heat: Heat): number {
    const known = this.heatMarks.get(heat);
    if (known !== undefined) return known;
    const mark = heat === "cold" ? 0 : Math.imul(this.heatMarks.size + 1, 0x9e3779b1) >>> 0;
    this.heatMarks.set(heat, mark);
    return mark;
  }

  bestCents(state: State, depth: number): number {
    const mark = this.heatMark(state.heat);
    const key = ((state.high ^ mark) >>> 0) * 0x200000 + (((state.low ^ mark) >>> 0) >>> 11);
    const known = this.memory.get(key);
    if (known && known.depth >= depth) return known.cents;
    this.pricings++;
    const { network, pricer } = this;
    let best = pricer.repairOnlyCents(state.weights);
    const bound = boundCents(network, state.weights);
    const isWorthATest = best - bound > this.cheapestTest * massOf(state.weights);
    const looksOn = depth > 0 && !this.isSpent();
    if (isWorthATest && looksOn) {
      best = Math.min(best, this.bestTestCents(state, depth, best));
      for (const repair of this.likeliestRepairs(state))
        best = Math.min(best, this.repairCents(state, repair, depth));
    } else if (isWorthATest) best = Math.min(best, bound + this.centsPerBit * pricer.bits(state.weights));
    if (looksOn || depth === 0) this.memory.set(key, { depth, cents: best });
    return best;
  }

  /** The least a bit costs here, by the best test for its price, and what it will cost once that is used. */
  private priceOfABit(state: State): number {
    const { network, pricer } = this;
    const mass = massOf(state.weights);
    const bits = pricer.bits(state.weights);
    let least = Number.POSITIVE_INFINITY;
    for (const [test, { cents, likelihood }] of network.tests.entries()) {
      if (state.done[test]) continue;
      let left = 0;
      for (let outcome = 0; outcome < likelihood.length; outcome++) {
        const next = this.outcomeOf(state, test, outcome, state.done, state.heat, this.leaf);
        if (next) left += pricer.bits(next.weights);
      }
      const told = bits - left;
      if (told > 1e-9) least = Math.min(least, (cents * mass) / told);
    }
    return Number.isFinite(least) ? least * DEARER : 0;
  }

  /**
   * What each action costs from here to the end, in the network's order; tests done already, and what waits for another
   * test, cost Infinity.
   */
  price(
    weights: Float64Array,
    done: Uint8Array,
    heat: Heat = "cold",
  ): { tests: number[]; repairs: number[] } {
    const state: State = { weights, done, heat, high: 0, low: 0 };
    const { tests, repairs } = this.network;
    this.centsPerBit = this.priceOfABit(state);
    const priceAt = (action: number, depth: number) =>
      action < tests.length
        ? this.testCents(state, action, depth)
        : this.repairCents(state, action - tests.length, depth);
    const actions = [...tests, ...repairs].map((_, action) => {
      const { after } = (action < tests.length ? tests[action] : repairs[action - tests.length]) ?? {};
      const isOut = (action < tests.length && done[action]) || !this.isDue(state, after);
      return { action, depth: 1, cents: isOut ? Number.POSITIVE_INFINITY : priceAt(action, 1) };
    });
    let deepest = 1;
    for (let depth = 2; depth <= MOST_DEPTH && !this.isSpent(); depth++) {
      const best = [...actions]
        .filter(({ cents }) => cents < Number.POSITIVE_INFINITY)
        .sort((a, b) => a.cents - b.cents)
        .slice(0, ROOT_BEAM);
      const deeper = best.map((each) => ({ each, cents: priceAt(each.action, depth) }));
      // A depth that could not be looked through fairly counts for none of its actions.
      if (this.isSpent() && depth > 2) break;
      for (const { each, cents } of deeper) Object.assign(each, { cents, depth });
      deepest = depth;
    }
    // What was looked into less is priced too kindly: it doesn't stand before what was looked into most.
    const best = Math.min(...actions.filter(({ depth }) => depth === deepest).map(({ cents }) => cents));
    const cents = actions.map((each) =>
      each.depth === deepest ? each.cents : Math.max(each.cents, best * (1 + 1e-9)),
    );
    return { tests: cents.slice(0, tests.length), repairs: cents.slice(tests.length) };
  }
}

export function massOf(weights: Float64Array): number {
  let mass = 0;
  for (let i = 0; i < weights.length; i++) mass += weights[i] ?? 0;
  return mass;
}
