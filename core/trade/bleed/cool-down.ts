import { quantiles } from "../../kernel/statistics/index.ts";
import type { Verdict } from "../../kernel/verdict/index.ts";
import { CAP_OPENS_C, RAN_UNREAD_C, SENSOR_ERROR_C } from "../limits/index.ts";
import {
  type Believed,
  beginsWhereItStopped,
  believedOf,
  type Head,
  isAboveAir,
  repeatsItself,
  slowestC,
} from "./believed.ts";
import type { CoolDown, CoolReading } from "./cool-reading.ts";
import { fallsTo, furthestOff, type Read, standsAt, thinned, type Way, waysOf } from "./cool-ways.ts";
import type { UpperHose } from "./schools.ts";
import { STOOD_S, SURFACE_C, surfaceSays } from "./surface.ts";

export interface CoolDownGiven {
  /** The air around it, °C, −40 to 60. */
  ambientC?: number;
  /** What it has to come down to, °C, 20 to 90; 50 where absent. */
  targetC?: number;
  /** The sensor's error either way, °C, 0 to 5; 1 where absent. */
  sensorC?: number;
  /** When the engine last ran, seconds on the readings' clock. */
  ranUntilS?: number;
  /** How hot it was then, °C. */
  hottestC?: number;
  /** Now, seconds by the server's clock: a reading is worth a quarter of an hour. */
  nowS?: number;
  /** What the hand says of the upper hose: the second witness of a surface that was read by infrared. */
  upperHose?: UpperHose;
}

/** A quarter of an hour after its reading an engine may have been started again. */
const LASTS_S = 900;
/** Two clocks of one shop may differ by so much and nobody minds. */
const CLOCKS_S = 60;
/** What it has to have fallen by before its end is foretold: less may be a sensor's flicker. */
const LEAST_FALL_C = 6;
const LEAST_READINGS = 3;
const LEAST_SPAN_S = 300;
/** A cool-down that was watched from so far over the target on is a whole one. */
const WHOLE_OVER_C = 10;
/** Watched on its way: no two readings on either side of the target lie further apart. */
const STEP_C = 20;
/** Engines cool by more than two constants: so far off the best way is still one of them. */
const FITS_C = 2.2;
/** Just after it stopped the block still moves the coolant's heat about: the first reading of so many is left out. */
const LEAST_TO_SKIP = 4;
/** One slip is left out of so many, and not of the last ones. */
const LEAST_WITH_SLIP = 6;
const AFTER_SLIP = 3;
/** What the readings before foretell has to come so near the target for the newest to be believed at once. */
const FORETOLD_C = 1;
/** An engine that stood a night is within so much of the air. */
const NEAR_AIR_C = 4;
const NIGHT_S = 6 * 3600;
const MOST_LOOKED = 100;
const NEWEST = 40;
const EARLY = 0.05;
const LATE = 0.995;
const LATEST_S = 172_800;
/** A forecast whose end lies that many times further off than its likely one is none. */
const TOO_WIDE = 2.5;

const number = (figure: number) => String(Number(figure.toFixed(1)));

function checked(readings: readonly CoolReading[]): CoolReading[] {
  for (const { atS, coolantC } of readings) {
    if (!(Math.abs(atS) <= 1e12)) throw new RangeError(`${atS} is no moment in seconds.`);
    if (!(coolantC >= -50 && coolantC <= 200))
      throw new RangeError(`${coolantC} °C is no coolant: −50 to 200 °C is.`);
  }
  return [...readings].sort((a, b) => a.atS - b.atS);
}

const inRange = (value: number | undefined, from: number, to: number, what: string) => {
  if (value !== undefined && !(value >= from && value <= to))
    throw new RangeError(`${value} is no ${what}: ${from} to ${to} is.`);
};

/** All of a person's readings; of a logger's thousands the newest and an even choice of the rest. */
function newestOf<Each>(readings: readonly Each[]): readonly Each[] {
  if (readings.length <= MOST_LOOKED) return readings;
  const [older, newest] = [readings.slice(0, -NEWEST), readings.slice(-NEWEST)];
  const every = Math.ceil(older.length / (MOST_LOOKED - NEWEST));
  return [...older.filter((_, place) => place % every === 0), ...newest];
}

const agoWords = (seconds: number) =>
  seconds < 7200 ? `${Math.round(seconds / 60)} min` : `${Math.round(seconds / 3600)} h`;

/** What came after the hottest: after shut-off coolant first gets hotter from the block. */
function falling(readings: readonly Read[], errorC: number): Read[] {
  const hottest = Math.max(...readings.map(({ coolantC }) => coolantC));
  const from = readings.findLastIndex(({ coolantC }) => coolantC >= hottest - errorC / 2);
  return readings.slice(from);
}

interface Terms {
  targetC: number;
  sensorC: number;
  errorC: number;
  ambientC: number | undefined;
  head: Head | undefined;
  upperHose?: UpperHose;
}

const at = (ways: readonly Way[], readings: readonly Read[], atS: number, share: number) =>
  quantiles(standsAt(ways, atS - (readings[0]?.atS ?? 0)), [share])[0] ?? Number.POSITIVE_INFINITY;

/** The readings that one engine can have, all of them or all but one slip among the earlier; nothing where they don't agree. */
function fitting(down: readonly Read[], { sensorC, ambientC, targetC }: Terms): Read[] | undefined {
  const all = thinned(down);
  const off = (readings: readonly Read[]) => furthestOff(waysOf(readings, sensorC, ambientC), readings);
  const worst = off(all);
  if (worst.byC <= FITS_C) return all;
  const { place } = worst;
  if (all.length < LEAST_WITH_SLIP || place >= all.length - AFTER_SLIP) return undefined;
  const without = all.filter((_, index) => index !== place);
  if (without.filter(({ coolantC }) => coolantC > targetC).length < LEAST_READINGS) return undefined;
  return off(without).byC <= FITS_C ? without : undefined;
}

/**
 * Why a reading at the target isn't believed yet; nothing where it is. Either the slowest engine would have come down by now, or
 * it stood a night beside air that was read, or a whole cool-down was watched that one engine can have.
 */
function doubt(kept: readonly Read[], last: Read, terms: Terms): string | undefined {
  const { head, ambientC, targetC, sensorC, errorC, upperHose } = terms;
  if (head && upperHose !== "hard-or-hot" && slowestC(head, last.atS, ambientC) <= targetC) return undefined;
  if (upperHose === "hard-or-hot")
    return "The upper hose is hard or hot: it is not safe, whatever a sensor says.";
  const isWitnessed =
    upperHose === "soft-and-cool" && last.coolantC <= SURFACE_C && head && last.atS - head.atS >= STOOD_S;
  if (isWitnessed) return undefined;
  const isNearAir = ambientC !== undefined && last.coolantC <= ambientC + NEAR_AIR_C;
  const hottest = Math.max(...kept.map(({ coolantC }) => coolantC));
  const hasStood = head ? last.atS - head.atS >= NIGHT_S : hottest <= targetC;
  if (isNearAir && hasStood) return undefined;
  if (ambientC === undefined && hasStood && kept.length === 1)
    return "One figure says little: read the air around it too, or watch it fall from hot.";
  const down = falling(kept, errorC);
  if (down.length < LEAST_READINGS || (down[0]?.coolantC ?? 0) < targetC + WHOLE_OVER_C)
    return `It was not seen to cool from over ${targetC + WHOLE_OVER_C} °C by three readings: one figure may be a dead sensor's. Read it again in ten minutes.`;
  const above = kept.filter(({ coolantC }) => coolantC > targetC);
  const into = kept.find(({ atS, coolantC }) => coolantC <= targetC && atS > (above.at(-1)?.atS ?? 0));
  if (above.length < LEAST_READINGS || (above.at(-1)?.coolantC ?? 0) - (into?.coolantC ?? targetC) > STEP_C)
    return "It was not watched on its way down, only before and after: a sensor that sticks looks like that. Squeeze the upper hose.";
  if (!beginsWhereItStopped(kept, terms))
    return "It was not watched from where it stopped, or the sensor hangs in a pocket of air and tells the air. Squeeze the upper hose.";
  if (repeatsItself(down, last, terms))
    return "It repeats itself, and an engine would have fallen: the sensor may stick. Squeeze the upper hose.";
  const all = fitting(down.length > LEAST_TO_SKIP ? down.slice(1) : down, terms);
  if (!all)
    return "That is not how one engine cools: the sensor, the place or a figure is not to be trusted. Read it again in ten minutes.";
  const ways = waysOf(all, sensorC, ambientC);
  if (at(ways, all, last.atS, 0.5) > targetC - sensorC)
    return "What was read before it says a little more: read it again in five minutes.";
  // What came down to the target before it may be the same sensor, stuck: only what was read over it foretells.
  const under = all.findIndex(({ coolantC }) => coolantC <= targetC);
  const before = all.slice(0, under < 0 ? -1 : under);
  const foretold = waysOf(before, sensorC, ambientC);
  if (before.length >= LEAST_READINGS && at(foretold, before, last.atS, 0.975) <= targetC + FORETOLD_C)
    return undefined;
  const second = all.at(-2);
  const isConfirmed =
    second &&
    second.coolantC + errorC <= targetC &&
    last.coolantC < second.coolantC &&
    all.length > LEAST_READINGS;
  return isConfirmed ? undefined : "It fell more than was to be expected: read it once more in five minutes.";
}

function forecastOf(kept: readonly Read[], last: Read, { targetC, sensorC, errorC, ambientC }: Terms) {
  const down = falling(kept, errorC);
  const fallC = (down[0]?.coolantC ?? 0) - last.coolantC;
  const start = down[0]?.atS ?? 0;
  if (down.length < LEAST_READINGS || fallC < LEAST_FALL_C || last.atS - start < LEAST_SPAN_S)
    return `When to look again is told once three readings have fallen ${LEAST_FALL_C} °C over five minutes and more.`;
  const ends = waysOf(thinned(down), sensorC, ambientC).map((way) => ({
    value: start + fallsTo(way, targetC),
    weight: way.weight,
  }));
  const [earliest = 0, likely = 0, latest = 0] = quantiles(ends, [EARLY, 0.5, LATE]).map((each) =>
    Math.max(last.atS, each),
  );
  const isTooWide =
    latest - last.atS > TOO_WIDE * Math.max(60, likely - last.atS) || latest - start >= LATEST_S;
  return isTooWide
    ? "How fast it cools isn't told yet: read it again in ten minutes."
    : { earliest, likely, latest };
}

/**
 * Whether a cap may be opened, and when to look again: the one door to everything that opens a cap or loosens a hose. Safe is
 * said of a measured reading alone, at or below the target by its sensor's error (and half a degree more where it came in
 * whole degrees), and only where it is earned: read at the engine, in a cool-down that one engine can have from the hottest
 * known on, no faster than an engine falls, not under the air, not rising, and either watched down from hot, or so late that
 * the slowest engine would be there, or beside the air after a night. It ends when the engine runs again and 15 minutes after the
 * reading. Without a reader for the engine's own sensor there is a slower way (`surfaceSays`). What a radiator says counts
 * for nothing, as long as its thermostat may be shut.
 *
 * The forecast comes from three falling readings on: two time constants (coolant into block and radiator, block into
 * air), every likely pair of them and of the air around weighed by how well it explains the readings; `earliest` and
 * `latest` leave out one in twenty and one in two hundred. Where they would lie too far apart none is given.
 * @throws RangeError outside the ranges of `CoolDownGiven`, and on a coolant outside −50 to 200 °C
 */
export function coolDown(given: readonly CoolReading[], options: CoolDownGiven = {}): CoolDown {
  const { ambientC, targetC = CAP_OPENS_C, sensorC = SENSOR_ERROR_C, ranUntilS, hottestC, nowS } = options;
  inRange(ambientC, -40, 60, "air to cool in, °C");
  inRange(targetC, 20, 90, "temperature to cool to, °C");
  inRange(sensorC, 0, 5, "error of a sensor, °C");
  inRange(ranUntilS, -1e12, 1e12, "moment in seconds");
  inRange(nowS, -1e12, 1e12, "moment in seconds");
  inRange(hottestC, -50, 200, "coolant, °C");
  // A clock that is ahead of the server's gives no engine more time to cool.
  const all = checked(
    nowS === undefined ? given : given.map((each) => ({ ...each, atS: Math.min(each.atS, nowS + CLOCKS_S) })),
  );
  const since = ranUntilS === undefined ? all : all.filter(({ atS }) => atS >= ranUntilS);
  const last = since.at(-1);
  if (!last)
    return {
      safeNow: "not-seen",
      because: all.length > 0 ? "Nobody has read it since the engine ran." : "Nobody has read it yet.",
    };
  const isWhole = since.every(({ coolantC }) => Number.isInteger(coolantC));
  const errorC = sensorC + (isWhole ? 0.5 : 0);
  const read = `${number(last.coolantC)} °C was read`;
  const isHot = last.coolantC - errorC > targetC;
  const ranBefore = all.filter(({ atS }) => ranUntilS !== undefined && atS < ranUntilS);
  const head: Head | undefined =
    ranUntilS === undefined
      ? undefined
      : {
          atS: ranUntilS,
          hottestC: hottestC ?? Math.max(RAN_UNREAD_C, ...ranBefore.slice(-3).map((each) => each.coolantC)),
        };
  const terms: Terms = { targetC, sensorC, errorC, ambientC, head, upperHose: options.upperHose };
  const engine = newestOf(since.filter(({ where = "engine" }) => where === "engine"));
  const say = (because: string, safeNow: Verdict = isHot ? "fail" : "not-seen"): CoolDown => ({
    safeNow,
    because,
  });
  if (nowS !== undefined && nowS - last.atS > LASTS_S)
    return say(
      `${read} ${agoWords(nowS - last.atS)} ago: a figure is worth 15 min. Read it again.`,
      "not-seen",
    );
  const lastEngine = engine.at(-1);
  if ((last.where ?? "engine") !== "engine" || !lastEngine) {
    const surface = surfaceSays(since, terms);
    if (surface) return isHot ? say(`Not yet: ${read}.`) : surface;
    if (isHot) return say(`Not yet: ${read}.`);
    return say(
      last.where === "radiator"
        ? `${read} at the radiator, which stays cool while the thermostat is shut. Read the engine's own sensor.`
        : `${read}, and not where. Read the engine's own sensor.`,
    );
  }
  const { kept, odd }: Believed = believedOf(engine, terms);
  const coolest = Math.min(
    ...falling(kept.length > 0 ? kept : engine, errorC).map(({ coolantC }) => coolantC),
  );
  if (
    last.coolantC - coolest > 2 * errorC ||
    (engine.length > 1 && last.coolantC - (engine.at(-2)?.coolantC ?? 0) > 2 * errorC)
  )
    return say(
      `${read}, and it rises: the engine runs, or the block still heats it. Look again in ten minutes.`,
    );
  // Hours later, when even the slowest engine has come down, it is no matter what a sensor said before.
  const isLate =
    head !== undefined && slowestC(head, last.atS, ambientC) <= targetC && isAboveAir(last, terms);
  if (odd && !isLate)
    return say(
      `${number(odd.coolantC)} °C was read, and no engine cools so fast${ambientC !== undefined && odd.coolantC < ambientC ? " or under its air" : ""}: a dead sensor, one out of the coolant, or a slip. Read it again in ten minutes.`,
    );
  if (last.coolantC + errorC <= targetC) {
    const why = doubt(kept, last, terms);
    if (why) return say(`${read}. ${why}`, "not-seen");
    return say(
      `${read}, ${targetC} °C and less even by the sensor's error. Cloth over it, first notch.`,
      "pass",
    );
  }
  const notYet = isHot
    ? `Not yet: ${read}.`
    : `Not yet: ${read}, within the sensor's error of ${targetC} °C.`;
  const forecast = forecastOf(kept, last, terms);
  if (typeof forecast === "string") return say(`${notYet} ${forecast}`);
  return { ...say(`${notYet} The times are when to look again, not when it is safe.`), readyAtS: forecast };
}
