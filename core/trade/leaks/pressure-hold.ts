import { vapourKPa } from "../coolant/index.ts";
import { COOLS_ON_TESTER_C, RAN_UNREAD_C, WARM_FROM_C } from "../limits/index.ts";

export interface PressureReading {
  atS: number;
  gaugeKPa: number;
  /** As read beside it; absent where only the gauge was read. */
  coolantC?: number;
}

export interface PressureHold {
  verdict: "tight" | "seeping" | "leaking" | "not-seen";
  /** Fall of what was read, kPa a minute; below nought where it rose. */
  fallPerMinuteKPa: number;
  /** The same less what cooling alone takes, from the most that it may take to the least. */
  leakPerMinuteKPa: { low: number; likely: number; high: number };
  because: string;
}

const KELVIN = 273.15;
const AIR_KPA = 101.325;
/** The usual mix; what other shares do to its vapour is less than the rest that isn't known. */
const SHARE = 0.5;
/** How much the air over the coolant grows as that shrinks, per °C: none in a big tank, much in a full system. */
const AIR_GROWS = { least: 0, likely: 0.002, most: 0.005 };
/** A dial moves that much by itself in ten minutes. */
const TIGHT_PER_MINUTE = 0.3;
const LEAKS_PER_MINUTE = 2;
const LEAST_MINUTES = 10;
/** A leak so fast needs no ten minutes to be seen, but two readings: one may be misread. */
const LEAST_FALL_KPA = 10;
const ENOUGH_OF_CAP = 0.8;
const RISES_PER_MINUTE = -0.5;

/** What air and vapour shut in at one temperature press at another, kPa gauge. */
function shutIn(from: { gaugeKPa: number; coolantC: number }, toC: number, grows: number): number {
  const dry = Math.max(0, from.gaugeKPa + AIR_KPA - vapourKPa("ethylene", SHARE, from.coolantC));
  const cooler = from.coolantC - toC;
  const room = Math.max(0.1, 1 + grows * cooler);
  const warmth = (toC + KELVIN) / (from.coolantC + KELVIN);
  return (dry * warmth) / room + vapourKPa("ethylene", SHARE, toC) - AIR_KPA;
}

function checked(readings: readonly PressureReading[]): PressureReading[] {
  for (const { atS, gaugeKPa, coolantC } of readings) {
    if (!(atS >= -1e9 && atS <= 1e12)) throw new RangeError(`${atS} is no moment in seconds.`);
    if (!(gaugeKPa >= -100 && gaugeKPa <= 400))
      throw new RangeError(`${gaugeKPa} kPa is no pressure of a cooling system: −100 to 400 is.`);
    if (coolantC !== undefined && !(coolantC >= -40 && coolantC <= 150))
      throw new RangeError(`${coolantC} °C is no coolant: −40 to 150 °C is.`);
  }
  return [...readings].sort((a, b) => a.atS - b.atS);
}

/** The slope of the line of least squares, kPa a minute downwards. */
function fallOf(minutes: readonly number[], kPa: readonly number[]): number {
  const middle = minutes.reduce((sum, each) => sum + each, 0) / minutes.length;
  const spread = minutes.reduce((sum, each) => sum + (each - middle) ** 2, 0);
  return -minutes.reduce((sum, each, place) => sum + (each - middle) * (kPa[place] ?? 0), 0) / spread;
}

/**
 * Whether a system under pressure holds it: how fast it falls, kPa a minute, less what the cooling of its air and vapour
 * takes by itself. Tight up to 0.3 kPa a minute over ten minutes and more from at least four fifths of the cap's rating;
 * leaking from 2; seeping between. Where cooling and leak can't be told apart it says so. `coolantC` of the whole test
 * stands for readings that have none; without any it may be warm, and what cooling may explain is no leak. Throws `RangeError` on a
 * rating outside 10 to 300 kPa, a pressure outside −100 to 400 kPa gauge, a coolant outside −40 to 150 °C.
 */
export function pressureHold(
  given: readonly PressureReading[],
  { capGaugeKPa, coolantC }: { capGaugeKPa: number; coolantC?: number },
): PressureHold {
  if (!(capGaugeKPa >= 10 && capGaugeKPa <= 300))
    throw new RangeError(`${capGaugeKPa} kPa is no rating of a cap: 10 to 300 is.`);
  checked([{ atS: 0, gaugeKPa: 0, ...(coolantC !== undefined && { coolantC }) }]);
  const readings = checked(given);
  const none = { fallPerMinuteKPa: 0, leakPerMinuteKPa: { low: 0, likely: 0, high: 0 } };
  const first = readings[0];
  const last = readings.at(-1);
  if (!first || !last || last.atS <= first.atS)
    return {
      ...none,
      verdict: "not-seen",
      because: "One reading tells no fall: read it again in ten minutes.",
    };
  const minutes = readings.map(({ atS }) => (atS - first.atS) / 60);
  const lasted = minutes.at(-1) ?? 0;
  const fall = fallOf(
    minutes,
    readings.map(({ gaugeKPa }) => gaugeKPa),
  );
  const isRead = readings.every((reading) => reading.coolantC !== undefined);
  const saidC = first.coolantC ?? coolantC;
  // By the gauge alone nobody knows whether it is warm: what cooling may explain is then no leak.
  const isUnread = saidC === undefined;
  const fromC = saidC ?? RAN_UNREAD_C;
  const less = (grows: number, degreesAMinute: number) =>
    fallOf(
      minutes,
      readings.map(({ gaugeKPa, coolantC: readC }, place) => {
        const toC = isRead ? (readC ?? fromC) : fromC - degreesAMinute * (minutes[place] ?? 0);
        return (
          gaugeKPa +
          first.gaugeKPa -
          shutIn({ gaugeKPa: first.gaugeKPa, coolantC: fromC }, Math.max(-40, toC), grows)
        );
      }),
    );
  const isWarm = !isRead && fromC >= WARM_FROM_C;
  const most = isWarm ? COOLS_ON_TESTER_C : 0;
  const rates = [
    less(AIR_GROWS.least, 0),
    less(AIR_GROWS.most, most),
    less(AIR_GROWS.least, most),
    less(AIR_GROWS.most, 0),
  ];
  const leak = {
    low: Math.min(...rates),
    likely: less(AIR_GROWS.likely, isUnread ? 0 : most / 3),
    high: Math.max(...rates),
  };
  const found = { fallPerMinuteKPa: fall, leakPerMinuteKPa: leak };
  const said = `${Math.max(0, leak.likely).toFixed(1)} kPa a minute over ${Math.floor(lasted)} min${isRead ? ", cooling taken off" : ""}`;
  if (leak.high <= RISES_PER_MINUTE)
    return {
      ...found,
      verdict: "not-seen",
      because:
        "It rises: the pump is still on it, the engine warms, or gas gets in. Test for combustion gas where the engine runs.",
    };
  const lastTwo = readings.slice(1).slice(-2);
  const isSeenTwice =
    lastTwo.length === 2 && lastTwo.every(({ gaugeKPa }) => first.gaugeKPa - gaugeKPa >= LEAST_FALL_KPA);
  if (leak.low >= LEAKS_PER_MINUTE && isSeenTwice)
    return { ...found, verdict: "leaking", because: `It falls ${said}: look for it now, while it is wet.` };
  if (lasted < LEAST_MINUTES)
    return {
      ...found,
      verdict: "not-seen",
      because: `${Math.floor(lasted)} min tell no small leak: hold it ${LEAST_MINUTES} to 15 min.`,
    };
  if (first.gaugeKPa < ENOUGH_OF_CAP * capGaugeKPa && leak.low <= TIGHT_PER_MINUTE)
    return {
      ...found,
      verdict: "not-seen",
      because: `It was held from ${Math.round(first.gaugeKPa)} kPa, and the cap holds ${Math.round(capGaugeKPa)}: pump it up to that.`,
    };
  if (leak.high <= TIGHT_PER_MINUTE)
    return {
      ...found,
      verdict: "tight",
      because: `It holds: ${said}${isUnread ? ", if the engine kept its temperature" : ""}.`,
    };
  if (leak.low > TIGHT_PER_MINUTE)
    return {
      ...found,
      verdict: "seeping",
      because: `It falls ${said}: a seep. Look at joints, pump and the foot of the core.`,
    };
  return {
    ...found,
    verdict: "not-seen",
    because:
      "It falls no more than cooling may explain: test again cold, or read the coolant beside the gauge.",
  };
}
