import { HAND_BACK, type Model, NOTHING_WRONG, type Rates } from "./model/index.ts";

/** A repair as the planner reckons with it. */
export interface NetworkRepair {
  id: string;
  /** What doing it costs, its recheck with it. */
  cents: number;
  /** What it costs more where it was wrong: a hand-back's comeback, nothing for the rest. */
  wrongCents: number;
  /** What each hypothesis costs beside that, where one costs another figure. */
  extraCents: Float64Array | undefined;
  /** What its place in a row of repairs is reckoned by: the two together, never 0. */
  priceCents: number;
  fixed: number[];
  /** Places of the tests without which it is not offered. */
  after: number[];
}

export interface NetworkTest {
  id: string;
  cents: number;
  need: "cold" | "heats" | "hot" | undefined;
  shares: string | undefined;
  /** Places of the tests that come before it. */
  after: number[];
  /** likelihood[outcome][hypothesis]. */
  likelihood: Float64Array[];
}

/** A model turned into arrays. */
export interface Network {
  size: number;
  heatCents: number;
  coolCents: number;
  alongCents: number;
  tests: NetworkTest[];
  repairs: NetworkRepair[];
  /** The cheapest way of fixing each hypothesis if it were known: what no plan can beat. */
  knownCents: Float64Array;
  /** Which repair that is, by its place: faults of one class need not be told from each other. */
  classOf: Int32Array;
}

export function toNetwork(model: Model, rates: Rates): Network {
  const { centsPerMinute, recheckMinutes, comebackCents } = rates;
  const { heatMinutes = 0, coolMinutes = 0, alongMinutes = 0 } = rates;
  const placesOf = (after: readonly string[] = []) =>
    after.flatMap((id) => {
      const place = model.tests.findIndex((test) => test.id === id);
      return place < 0 ? [] : [place];
    });
  for (const [name, figure] of Object.entries(rates)) {
    if (!(figure >= 0 && Number.isFinite(figure)))
      throw new RangeError(`${name} is ${figure}; it must be 0 or more`);
  }
  const ids = model.hypotheses.map((hypothesis) => hypothesis.id);
  const tests = model.tests.map((test) => ({
    id: test.id,
    cents: test.minutes * centsPerMinute,
    need: test.engine,
    shares: test.shares,
    after: placesOf(test.after),
    likelihood: test.outcomes.map(({ given }) => {
      const row = new Float64Array(ids.length);
      for (let i = 0; i < row.length; i++) row[i] = given[ids[i] as string] ?? 0;
      return row;
    }),
  }));
  const extras = Float64Array.from(model.hypotheses, (each) =>
    each.id === NOTHING_WRONG ? 0 : (each.comebackCents ?? comebackCents) - comebackCents,
  );
  const hasExtras = extras.some((extra) => extra !== 0);
  const repairs = model.repairs.map(({ id, minutes, partsCents, fixes, after }): NetworkRepair => {
    const isHandBack = id === HAND_BACK;
    const fixed = isHandBack ? [NOTHING_WRONG] : fixes;
    const cents =
      (minutes + (isHandBack ? 0 : recheckMinutes)) * centsPerMinute + (isHandBack ? 0 : partsCents);
    const wrongCents = isHandBack ? comebackCents : 0;
    return {
      id,
      cents,
      wrongCents,
      extraCents: isHandBack && hasExtras ? extras : undefined,
      priceCents: Math.max(cents + wrongCents, 1e-9),
      after: placesOf(after),
      fixed: ids.flatMap((hypothesis, index) => (fixed.includes(hypothesis) ? [index] : [])),
    };
  });
  const knownCents = Float64Array.from(ids, (_, index) =>
    repairs.reduce(
      (least, repair) => (repair.fixed.includes(index) ? Math.min(least, repair.cents) : least),
      Number.POSITIVE_INFINITY,
    ),
  );
  const classOf = Int32Array.from(ids, (_, index) =>
    repairs.findIndex((repair) => repair.fixed.includes(index) && repair.cents === knownCents[index]),
  );
  return {
    size: ids.length,
    heatCents: heatMinutes * centsPerMinute,
    coolCents: coolMinutes * centsPerMinute,
    alongCents: alongMinutes * centsPerMinute,
    tests,
    repairs,
    knownCents,
    classOf,
  };
}

/** What perfect knowledge would still cost, times the mass of `weights`: a lower bound for every plan. */
export function boundCents({ knownCents, size }: Network, weights: Float64Array): number {
  let cents = 0;
  for (let i = 0; i < size; i++) {
    const weight = weights[i] ?? 0;
    if (weight > 0) cents += weight * (knownCents[i] ?? 0);
  }
  return cents;
}

/** What a repair costs beside its own price where it is the wrong one, for what it leaves, times the mass of that. */
export function wrongCentsOf(repair: NetworkRepair, left: Float64Array, mass: number): number {
  let cents = repair.wrongCents * mass;
  const { extraCents } = repair;
  if (extraCents)
    for (let i = 0; i < left.length; i++) cents += (left[i] as number) * (extraCents[i] as number);
  return cents;
}

/** Room to reckon in, so that pricing a plan a thousand times makes no garbage. */
export class Pricer {
  private readonly left: Float64Array;
  private readonly ratios: Float64Array;
  private readonly order: Int32Array;

  constructor(private readonly network: Network) {
    this.left = new Float64Array(network.size);
    this.ratios = new Float64Array(network.repairs.length);
    this.order = new Int32Array(network.repairs.length);
  }

  private massFixed(repair: NetworkRepair): number {
    let mass = 0;
    for (let k = 0; k < repair.fixed.length; k++) mass += this.left[repair.fixed[k] as number] as number;
    return mass;
  }

  /** Bits still to be learnt before the right repair is known, times the mass of `weights`. */
  bits(weights: Float64Array): number {
    const { classOf, size } = this.network;
    const masses = this.ratios.fill(0);
    let mass = 0;
    for (let i = 0; i < size; i++) {
      const weight = weights[i] as number;
      const repair = classOf[i] as number;
      masses[repair] = (masses[repair] as number) + weight;
      mass += weight;
    }
    let bits = mass > 0 ? mass * Math.log2(mass) : 0;
    for (let r = 0; r < masses.length; r++) {
      const each = masses[r] as number;
      if (each > 0) bits -= each * Math.log2(each);
    }
    return Math.max(0, bits);
  }

  /**
   * Expected cost, times the mass of `weights`, of repairing without another test: the repair with most mass a cent
   * first, then the next. The best order there is where no two repairs fix the same thing (a hand-back counted with its
   * comeback), and close to it elsewhere (greedy for minimum-sum set cover).
   */
  repairOnlyCents(weights: Float64Array): number {
    const { repairs, size } = this.network;
    const { left, ratios, order } = this;
    let mass = 0;
    for (let i = 0; i < size; i++) {
      const weight = weights[i] as number;
      left[i] = weight;
      mass += weight;
    }
    let count = 0;
    for (let r = 0; r < repairs.length; r++) {
      const repair = repairs[r] as NetworkRepair;
      const fixed = this.massFixed(repair);
      if (fixed <= 0) continue;
      const ratio = fixed / repair.priceCents;
      let at = count++;
      for (; at > 0 && (ratios[at - 1] as number) < ratio; at--) {
        ratios[at] = ratios[at - 1] as number;
        order[at] = order[at - 1] as number;
      }
      ratios[at] = ratio;
      order[at] = r;
    }
    let cents = 0;
    for (let next = 0; next < count; next++) {
      const repair = repairs[order[next] as number] as NetworkRepair;
      const fixed = this.massFixed(repair);
      if (fixed <= 0) continue;
      const ratio = fixed / repair.priceCents;
      // What an earlier repair has fixed too makes this one worth less: it goes back to its new place.
      if (next + 1 < count && ratio < (ratios[next + 1] as number) * (1 - 1e-12)) {
        let at = next;
        for (; at + 1 < count && (ratios[at + 1] as number) > ratio; at++) {
          ratios[at] = ratios[at + 1] as number;
          order[at] = order[at + 1] as number;
        }
        ratios[at] = ratio;
        order[at] = repairs.indexOf(repair);
        next--;
        continue;
      }
      cents += repair.cents * mass + wrongCentsOf(repair, left, mass - fixed);
      for (let k = 0; k < repair.fixed.length; k++) left[repair.fixed[k] as number] = 0;
      mass -= fixed;
      if (mass <= 0) break;
    }
    return cents;
  }
}
