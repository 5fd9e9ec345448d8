import { type Script, type ScriptName, simulate, type ThermalCar } from "../thermal/index.ts";
import { AS_ITS_OWN, carAs } from "./fitted-figures.ts";
import { spareC } from "./spare.ts";

/** What a radiator passed on a day, as a share of what it did in the log that it is held against. */
export interface HealthPoint {
  /** Days since any one day. */
  day: number;
  share: number;
  error: number;
}

export interface Decline {
  /** By the year, as a share of what it once was; below nought where it passes less and less. */
  perYear: number;
  error: number;
  /** The share on a day, by the line through all of them. */
  at: (day: number) => number;
  /** Days from and to which it has come down to a share, by the line and its error; nothing where that isn't in sight. */
  reaches: (share: number) => { likely: number; soonest: number; latest?: number } | undefined;
}

const YEAR = 365.25;
const LEAST_POINTS = 3;
const LEAST_DAYS = 180;
/** Farther ahead a line through a few logs says nothing. */
const AHEAD_DAYS = 6 * YEAR;
const SURE = 1.645;

/**
 * A line through what a radiator passed over the years, each log weighed by its error. Why none can be drawn, where the logs are too
 * few or too near together. A radiator that was renewed begins anew: that is for whoever hands the points over.
 */
export function declineOf(points: readonly HealthPoint[]): Decline | { because: string } {
  if (points.length < LEAST_POINTS)
    return { because: `${points.length} of ${LEAST_POINTS} logs: too few to say how fast it goes.` };
  const days = points.map(({ day }) => day);
  if (Math.max(...days) - Math.min(...days) < LEAST_DAYS)
    return { because: "The logs lie within half a year: too near to say how fast it goes." };
  let [weights, dayMean, shareMean] = [0, 0, 0];
  for (const { day, share, error } of points) {
    const weight = 1 / error ** 2;
    weights += weight;
    dayMean += weight * day;
    shareMean += weight * share;
  }
  dayMean /= weights;
  shareMean /= weights;
  let [spread, together] = [0, 0];
  for (const { day, share, error } of points) {
    spread += (day - dayMean) ** 2 / error ** 2;
    together += ((day - dayMean) * (share - shareMean)) / error ** 2;
  }
  const slope = together / spread;
  const slopeError = Math.sqrt(1 / spread);
  const at = (day: number) => shareMean + slope * (day - dayMean);
  const last = Math.max(...days);
  const when = (by: number, share: number) =>
    by < 0 ? dayMean + (share - shareMean) / by : Number.POSITIVE_INFINITY;
  return {
    perYear: slope * YEAR,
    error: slopeError * YEAR,
    at,
    reaches: (share) => {
      const [likely, soonest, latest] = [slope, slope - SURE * slopeError, slope + SURE * slopeError].map(
        (by) => Math.max(last, when(by, share)),
      ) as [number, number, number];
      if (likely > last + AHEAD_DAYS) return undefined;
      return { likely, soonest, ...(latest <= last + AHEAD_DAYS && { latest }) };
    },
  };
}

/** What a hot day is, to this trade: standing in it. */
export const HOT_DAY: ScriptName = "school queue at 38 °C";

const LEAST_SHARE = 0.1;
const STEP_S = 0.5;

/** What a car has to spare on a script whose radiator passes so much of what it did, °C, at its hottest. */
export function spareAt(car: ThermalCar, script: Script, share: number): number {
  const [first] = car.fans;
  const worn = carAs(car, {
    ...AS_ITS_OWN,
    opensC: car.opensC,
    passes: share,
    air: 1,
    onC: first?.onC ?? 0,
    offC: first?.offC ?? 0,
    biasC: car.sensorBiasC,
    heat: 1,
    ambientC: script.ambientC,
    startC: script.ambientC,
  });
  const { blockC, boilsC } = simulate(worn, script, [], { dtS: STEP_S, isExact: true }).truth;
  const peakC = blockC.reduce((most, value) => Math.max(most, value), Number.NEGATIVE_INFINITY);
  return spareC({ peakC, boilsC });
}

/**
 * The least share of what it passed at which a car still holds a script, 0.1 to 1, to a hundredth; nothing where it doesn't even
 * when whole.
 */
export function leastShareFor(
  car: ThermalCar,
  given: Script,
  altitudeM = given.altitudeM,
): number | undefined {
  const script = altitudeM === undefined ? given : { ...given, altitudeM };
  if (spareAt(car, script, 1) < 0) return undefined;
  let [low, high] = [LEAST_SHARE, 1];
  if (spareAt(car, script, low) >= 0) return low;
  while (high - low > 0.01) {
    const middle = (low + high) / 2;
    if (spareAt(car, script, middle) < 0) low = middle;
    else high = middle;
  }
  return high;
}
