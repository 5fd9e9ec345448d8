import type { Verdict } from "../judgement/index.ts";
import { quantiles, ratios, steps, type Weighed } from "./quantile.ts";

export interface CoolReading {
  atS: number;
  coolantC: number;
}

export interface CoolDown {
  /** `pass` is said of a measured reading alone, never of a forecast. */
  safeNow: Verdict;
  /** When to look again, on the readings' own clock. Absent where they don't tell yet. */
  readyAtS?: { earliest: number; likely: number; latest: number };
  because: string;
}

/** Below it a cap may be opened, with a cloth, by the first notch. */
const TARGET_C = 50;
const SENSOR_C = 1;
/** What it has to have fallen by before its end is foretold: less may be a sensor's flicker. */
const LEAST_FALL_C = 6;
const LEAST_READINGS = 3;
const LEAST_SPAN_S = 300;
/** With the bonnet open, its fan running and water over the core. */
const FASTEST_C_PER_MINUTE = 6;
const LEAST_MISREAD_C = 10;
/** As cool as an engine is taken to be that ran until now and that nobody read. */
const WARM_C = 80;
/** More readings say no more of how it cools; the newest and an even choice of the rest are taken. */
const MOST_READINGS = 16;
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
const NEGLIGIBLE = 13;
const EARLY = 0.05;
const LATE = 0.995;
const LATEST_S = 172_800;
/** A forecast whose end lies that many times further off than its likely one is none. */
const TOO_WIDE = 2.5;

function checked(readings: readonly CoolReading[]): CoolReading[] {
  for (const { atS, coolantC } of readings) {
    if (!(Math.abs(atS) <= 1e12)) throw new RangeError(`${atS} is no moment in seconds.`);
    if (!(coolantC >= -50 && coolantC <= 200))
      throw new RangeError(`${coolantC} °C is no coolant: −50 to 200 °C is.`);
  }
  return [...readings].sort((a, b) => a.atS - b.atS);
}

/** One of the two was mistyped, or read somewhere else. */
function isTooFast(before: CoolReading, last: CoolReading): boolean {
  const fallC = before.coolantC - last.coolantC;
  return fallC > LEAST_MISREAD_C && fallC > (FASTEST_C_PER_MINUTE * (last.atS - before.atS)) / 60;
}

/** What came after the hottest: after shut-off coolant first gets hotter from the block. */
function falling(readings: readonly CoolReading[], errorC: number): CoolReading[] {
  const hottest = Math.max(...readings.map(({ coolantC }) => coolantC));
  const from = readings.findLastIndex(({ coolantC }) => coolantC >= hottest - errorC / 2);
  return readings.slice(from);
}

function thinned(readings: readonly CoolReading[]): CoolReading[] {
  if (readings.length <= MOST_READINGS) return [...readings];
  return steps(0, readings.length - 1, MOST_READINGS).map(
    (place) => readings[Math.round(place)] as CoolReading,
  );
}

interface Shape {
  share: number;
  quickS: number;
  slowS: number;
  shape: Float64Array;
  square: number;
}

/** Every pair of time constants, and every share of the quick one, as it falls from 1 at these moments. */
function shapesOf(after: readonly number[]): Shape[] {
  return QUICK_S.flatMap((quickS, fast) =>
    SLOW_S.filter((slowS) => slowS >= 2 * quickS).flatMap((slowS) =>
      QUICK_SHARES.filter((share) => share !== 0 || fast === 0).map((share) => {
        const shape = Float64Array.from(
          after,
          (each) => share * Math.exp(-each / quickS) + (1 - share) * Math.exp(-each / slowS),
        );
        return { share, quickS, slowS, shape, square: shape.reduce((sum, each) => sum + each * each, 0) };
      }),
    ),
  );
}

interface Way {
  /** How far down it has to come, as a share of where it began. */
  ratio: number;
  share: number;
  quickS: number;
  slowS: number;
  log: number;
}

/** Seconds from the first reading until a curve comes down to the target; by halving, within two seconds. */
function fallsTo({ ratio, share, quickS, slowS }: Way): number {
  if (ratio <= 0) return LATEST_S;
  if (ratio >= 1) return 0;
  let low = 0;
  let high = LATEST_S;
  while (high - low > 2) {
    const middle = (low + high) / 2;
    if (share * Math.exp(-middle / quickS) + (1 - share) * Math.exp(-middle / slowS) > ratio) low = middle;
    else high = middle;
  }
  return high;
}

/** Every way of cooling on a grid, with how well it explains the readings and when it comes down to the target. */
function waysDown(
  readings: readonly CoolReading[],
  targetC: number,
  errorC: number,
  ambientC: number | undefined,
): Weighed[] {
  const start = readings[0]?.atS ?? 0;
  const after = readings.map(({ atS }) => atS - start);
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
  const shapes = shapesOf(after);
  const ways: Way[] = [];
  for (const { air, prior } of airs) {
    const above = readings.map(({ coolantC }) => coolantC - air);
    for (const { share, quickS, slowS, shape, square } of shapes) {
      let across = 0;
      for (let place = 0; place < shape.length; place++) across += (shape[place] ?? 0) * (above[place] ?? 0);
      const height = across / square;
      if (height <= 0) continue;
      let off = 0;
      for (let place = 0; place < shape.length; place++)
        off += ((above[place] ?? 0) - height * (shape[place] ?? 0)) ** 2;
      ways.push({ ratio: (targetC - air) / height, share, quickS, slowS, log: prior - off * temper });
    }
  }
  const best = ways.reduce((most, { log }) => Math.max(most, log), Number.NEGATIVE_INFINITY);
  return ways
    .filter(({ log }) => log > best - NEGLIGIBLE)
    .map((way) => ({ value: start + fallsTo(way), weight: Math.exp(way.log - best) }));
}

/**
 * Whether a cap may be opened, and when to look again. Safe is said of a measured reading alone, the newest, once it lies
 * at or below the target by its sensor's error (and half a degree more where it came in whole degrees), and doesn't rise.
 * The forecast comes from three falling readings on: two time constants (coolant into block and radiator, block into
 * air), every likely pair of them and of the air around weighed by how well it explains the readings; `earliest` and
 * `latest` leave out one in twenty and one in two hundred. Where they would lie too far apart none is given. `ambientC` −40
 * to 60, `targetC` 20 to 90 (50 where absent), `sensorC` the sensor's error either way, 0 to 5 (1), `shutOffAtS` when it was
 * shut off warm, so that one figure alone, too cool so soon, is read again. Throws `RangeError`
 * outside, and on a coolant outside −50 to 200 °C.
 */
export function coolDown(
  given: readonly CoolReading[],
  {
    ambientC,
    targetC = TARGET_C,
    sensorC = SENSOR_C,
    shutOffAtS,
  }: { ambientC?: number; targetC?: number; sensorC?: number; shutOffAtS?: number } = {},
): CoolDown {
  if (ambientC !== undefined && !(ambientC >= -40 && ambientC <= 60))
    throw new RangeError(`${ambientC} °C is no air to cool in: −40 to 60 °C is.`);
  if (!(targetC >= 20 && targetC <= 90))
    throw new RangeError(`${targetC} °C is nothing to cool to: 20 to 90 °C is.`);
  if (!(sensorC >= 0 && sensorC <= 5))
    throw new RangeError(`${sensorC} °C is no error of a sensor: 0 to 5 °C is.`);
  const readings = checked(given);
  const last = readings.at(-1);
  if (!last) return { safeNow: "not-seen", because: "Nobody has read it yet." };
  const isWhole = readings.every(({ coolantC }) => Number.isInteger(coolantC));
  const errorC = sensorC + (isWhole ? 0.5 : 0);
  const before = readings.at(-2);
  const read = `${Number(last.coolantC.toFixed(1))} °C was read`;
  if (before && last.coolantC - before.coolantC > 2 * errorC)
    return {
      safeNow: last.coolantC - errorC > targetC ? "fail" : "not-seen",
      because: `${read}, and it rises: the engine runs, or the block still heats it. Look again in ten minutes.`,
    };
  const earlier = before ?? (shutOffAtS === undefined ? undefined : { atS: shutOffAtS, coolantC: WARM_C });
  if (earlier && isTooFast(earlier, last))
    return {
      safeNow: last.coolantC - errorC > targetC ? "fail" : "not-seen",
      because: before
        ? `${read}, and no engine cools so fast from ${Number(before.coolantC.toFixed(1))} °C: read it once more.`
        : `${read}, and a warm engine doesn't cool so fast: read it once more.`,
    };
  if (last.coolantC + errorC <= targetC)
    return {
      safeNow: "pass",
      because: `${read}, ${targetC} °C and less even by the sensor's error. Cloth over it, first notch.`,
    };
  const safeNow = last.coolantC - errorC > targetC ? "fail" : "not-seen";
  const notYet =
    safeNow === "fail"
      ? `Not yet: ${read}.`
      : `Not yet: ${read}, within the sensor's error of ${targetC} °C.`;
  const down = falling(readings, errorC);
  const fallC = (down[0]?.coolantC ?? 0) - last.coolantC;
  const spanS = last.atS - (down[0]?.atS ?? 0);
  if (down.length < LEAST_READINGS || fallC < LEAST_FALL_C || spanS < LEAST_SPAN_S)
    return {
      safeNow,
      because: `${notYet} When to look again is told once three readings have fallen ${LEAST_FALL_C} °C over five minutes and more.`,
    };
  const ways = waysDown(thinned(down), targetC, sensorC, ambientC);
  const [earliest = 0, likely = 0, latest = 0] = quantiles(ways, [EARLY, 0.5, LATE]).map((each) =>
    Math.max(last.atS, each),
  );
  const isTooWide =
    latest - last.atS > TOO_WIDE * Math.max(60, likely - last.atS) ||
    latest - (down[0]?.atS ?? 0) >= LATEST_S;
  if (isTooWide)
    return { safeNow, because: `${notYet} How fast it cools isn't told yet: read it again in ten minutes.` };
  return {
    safeNow,
    readyAtS: { earliest, likely, latest },
    because: `${notYet} The times are when to look again, not when it is safe.`,
  };
}
