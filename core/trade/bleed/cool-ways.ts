import { ratios, steps, type Weighed } from "../../kernel/statistics/index.ts";

/** A reading of the coolant's temperature: seconds, °C. */
export interface Read {
  atS: number;
  coolantC: number;
}

/** One way in which an engine may cool: two constants over the air around it, from a height at its first reading. */
export interface Way {
  airC: number;
  heightC: number;
  share: number;
  quickS: number;
  slowS: number;
  /** How well it explains the readings beside the best way, 0 to 1. */
  weight: number;
}

/** A shop's air, where nobody read it: from a winter yard to a summer's closed bay, and what it mostly is. */
const AMBIENT = { from: -10, to: 40, usual: 18, spread: 11 };
const READ_AMBIENT_C = 1.5;
/** The block's slow way to the air, and the coolant's quick way to block and radiator, seconds. */
const SLOW_S = ratios(1500, 21_000, 18);
const QUICK_S = ratios(150, 1500, 4);
/** Below nought where the block still heats the coolant while it falls already. */
const QUICK_SHARES = [-0.5, -0.3, -0.15, 0, 0.1, 0.2, 0.35, 0.5, 0.65];
/** No engine cools quite by two constants: many readings are believed no more than so many. */
const COUNTS_AS = 6;
/** What is so far behind the best, as a logarithm, is left out. */
const NEGLIGIBLE = 10;
/** More readings say no more of how it cools; the newest and an even choice of the rest are taken. */
const MOST_READINGS = 16;
const LATEST_S = 172_800;

interface Shape {
  share: number;
  quickS: number;
  slowS: number;
  shape: Float64Array;
  square: number;
}

const fallen = (afterS: number, { share, quickS, slowS }: Omit<Shape, "shape" | "square">) =>
  share * Math.exp(-afterS / quickS) + (1 - share) * Math.exp(-afterS / slowS);

const decays = (constantS: number, after: readonly number[]) =>
  Float64Array.from(after, (each) => Math.exp(-each / constantS));

/** Every pair of time constants, and every share of the quick one, as it falls from 1 at these moments. */
function shapesOf(after: readonly number[]): Shape[] {
  const slow = SLOW_S.map((slowS) => ({ slowS, decay: decays(slowS, after) }));
  return QUICK_S.flatMap((quickS, fast) => {
    const quick = decays(quickS, after);
    return slow
      .filter(({ slowS }) => slowS >= 2 * quickS)
      .flatMap(({ slowS, decay }) =>
        QUICK_SHARES.filter((share) => share !== 0 || fast === 0).map((share) => {
          const shape = decay.map((each, place) => share * (quick[place] ?? 0) + (1 - share) * each);
          return { share, quickS, slowS, shape, square: shape.reduce((sum, each) => sum + each * each, 0) };
        }),
      );
  });
}

export function thinned<Each>(readings: readonly Each[]): Each[] {
  if (readings.length <= MOST_READINGS) return [...readings];
  return steps(0, readings.length - 1, MOST_READINGS).map((place) => readings[Math.round(place)] as Each);
}

/**
 * Every way of cooling on a grid that these readings allow, in time order, with how well each explains them; none where
 * there is no reading. `errorC` is the sensor's error either way, `ambientC` the air where it was read.
 */
export function waysOf(readings: readonly Read[], errorC: number, ambientC: number | undefined): Way[] {
  const start = readings[0]?.atS ?? 0;
  const airs =
    ambientC === undefined
      ? steps(AMBIENT.from, AMBIENT.to, 11).map((air) => ({
          air,
          prior: -(((air - AMBIENT.usual) / AMBIENT.spread) ** 2) / 2,
        }))
      : [-1, 0, 1].map((off) => ({ air: ambientC + off * READ_AMBIENT_C, prior: -(off ** 2) / 2 }));
  // A reading is anywhere within its error, and rounded to a whole degree besides.
  const deviation = Math.hypot(errorC / Math.sqrt(3), 0.3);
  const temper = Math.min(1, COUNTS_AS / readings.length) / deviation ** 2 / 2;
  const shapes = shapesOf(readings.map(({ atS }) => atS - start));
  const ways: Way[] = [];
  for (const { air, prior } of airs) {
    const above = Float64Array.from(readings, ({ coolantC }) => coolantC - air);
    const whole = above.reduce((sum, each) => sum + each * each, 0);
    for (const { share, quickS, slowS, shape, square } of shapes) {
      let across = 0;
      for (let place = 0; place < shape.length; place++) across += (shape[place] ?? 0) * (above[place] ?? 0);
      const heightC = across / square;
      if (heightC <= 0) continue;
      const off = Math.max(0, whole - heightC * across);
      ways.push({ airC: air, heightC, share, quickS, slowS, weight: prior - off * temper });
    }
  }
  const best = ways.reduce((most, { weight }) => Math.max(most, weight), Number.NEGATIVE_INFINITY);
  return ways
    .filter(({ weight }) => weight > best - NEGLIGIBLE)
    .map((way) => ({ ...way, weight: Math.exp(way.weight - best) }));
}

/** °C along one way, so many seconds after its first reading. */
export const alongC = (way: Way, afterS: number): number => way.airC + way.heightC * fallen(afterS, way);

/** What the coolant stands at by every way, so many seconds after the first reading. */
export const standsAt = (ways: readonly Way[], afterS: number): Weighed[] =>
  ways.map((way) => ({ value: alongC(way, afterS), weight: way.weight }));

/** Seconds from the first reading until a way comes down to the target; by halving, within two seconds. */
export function fallsTo(way: Way, targetC: number): number {
  const ratio = (targetC - way.airC) / way.heightC;
  if (ratio <= 0) return LATEST_S;
  if (ratio >= 1) return 0;
  let low = 0;
  let high = LATEST_S;
  while (high - low > 2) {
    const middle = (low + high) / 2;
    if (fallen(middle, way) > ratio) low = middle;
    else high = middle;
  }
  return high;
}

/** Which of these readings lies furthest off the way that explains them best, and by how much, °C. */
export function furthestOff(ways: readonly Way[], readings: readonly Read[]): { byC: number; place: number } {
  const best = ways.reduce<Way | undefined>(
    (most, way) => (most && most.weight >= way.weight ? most : way),
    undefined,
  );
  const start = readings[0]?.atS ?? 0;
  if (!best) return { byC: Number.POSITIVE_INFINITY, place: 0 };
  return readings.reduce(
    (most, { atS, coolantC }, place) => {
      const byC = Math.abs(coolantC - alongC(best, atS - start));
      return byC > most.byC ? { byC, place } : most;
    },
    { byC: 0, place: 0 },
  );
}
