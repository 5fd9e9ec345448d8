import { seededRandom } from "../../kernel/chance/index.ts";

/** One way in which air may leave a system, cycle after cycle, and what a leak beside it takes. */
export interface Pockets {
  /** Litres that each cycle swallows, the leak's among them. */
  swallows: Float64Array;
  /** Litres of air left after each cycle. */
  leftL: Float64Array;
  hasLeak: boolean;
}

export const MOST_CYCLES = 12;
const WAYS = 6000;
const SEED = 40_961;
/**
 * What hands have seen: a filled system mostly has a litre of air, and lets out half of what moves in each cycle; in a third of
 * them some hangs where little flows, in a quarter some lets go late and at once, and one in seven leaks besides.
 */
const USUAL = { airL: 0.95, spread: 0.85, share: { from: 0.28, to: 0.88 }, unlike: 0.22 };
const SLOW = { odds: 0.36, airL: { from: 0.06, to: 0.75 }, share: { from: 0.06, to: 0.3 } };
const LATE = { odds: 0.27, airL: { from: 0.08, to: 0.6 }, latest: 8 };
const LEAK = { odds: 0.15, takesL: { from: 0.04, to: 0.3 } };

const between = (random: () => number, { from, to }: { from: number; to: number }) =>
  from + (to - from) * random();
const bell = (random: () => number) => 1.4 * (random() + random() + random() + random() - 2);

function drawn(random: () => number): Pockets {
  let quickL = USUAL.airL * Math.exp(USUAL.spread * bell(random));
  const share = between(random, USUAL.share);
  let slowL = random() < SLOW.odds ? between(random, SLOW.airL) : 0;
  const slowShare = between(random, SLOW.share);
  let lateL = random() < LATE.odds ? between(random, LATE.airL) : 0;
  const letsGoAt = 1 + Math.floor(random() * LATE.latest);
  const hasLeak = random() < LEAK.odds;
  const leakL = hasLeak ? between(random, LEAK.takesL) : 0;
  const swallows = new Float64Array(MOST_CYCLES);
  const leftL = new Float64Array(MOST_CYCLES);
  for (let cycle = 0; cycle < MOST_CYCLES; cycle++) {
    const out = (litres: number, part: number) =>
      litres * Math.min(0.98, Math.max(0.02, part * (1 + USUAL.unlike * bell(random))));
    const quickOut = out(quickL, share);
    const slowOut = out(slowL, slowShare);
    const lateOut = cycle === letsGoAt ? lateL : 0;
    quickL -= quickOut;
    slowL -= slowOut;
    lateL -= lateOut;
    swallows[cycle] = quickOut + slowOut + lateOut + leakL;
    leftL[cycle] = quickL + slowL + lateL;
  }
  return { swallows, leftL, hasLeak };
}

let kept: readonly Pockets[] | undefined;

/** Ways in which air may leave, drawn once from what hands have seen, the same each time. */
export function waysOut(): readonly Pockets[] {
  if (kept) return kept;
  const random = seededRandom(SEED);
  kept = Array.from({ length: WAYS }, () => drawn(random));
  return kept;
}
