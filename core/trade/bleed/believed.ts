import { AIR_ERROR_C, fastestC, RAN_READ_C, SLOWEST_S, UNREAD_AIR, USUAL_AIR_C } from "../limits/index.ts";
import type { Read } from "./cool-ways.ts";

/** The block may lift the coolant so far over what it stopped at. */
const SOAKS_C = 20;
export interface Head {
  atS: number;
  hottestC: number;
}

/** What it may still stand at, so long after it stopped: the slowest engine, heated by its block first. */
export function slowestC(head: Head, atS: number, ambientC: number | undefined): number {
  const airC = ambientC === undefined ? UNREAD_AIR.hot : ambientC + AIR_ERROR_C;
  return airC + Math.max(0, head.hottestC + SOAKS_C - airC) * Math.exp(-(atS - head.atS) / SLOWEST_S);
}

export interface Terms {
  errorC: number;
  ambientC: number | undefined;
  head: Head | undefined;
}

/** No shop's air is colder than that while somebody works in it. */
const COLDEST_AIR_C = -25;

/** Whether a reading is none of a sensor that is open: it stands at the air or over it. */
export const isAboveAir = (
  { coolantC }: Read,
  { ambientC = COLDEST_AIR_C + AIR_ERROR_C, errorC }: Pick<Terms, "ambientC" | "errorC">,
): boolean => coolantC >= ambientC - AIR_ERROR_C - errorC;

/** Whether no engine can have come to this from any of those before it, or stands under the air around it. */
function isImpossible(read: Read, before: readonly Read[], { errorC, ambientC, head }: Terms): boolean {
  if (!isAboveAir(read, { ambientC, errorC })) return true;
  const from = head ? [{ atS: head.atS, coolantC: head.hottestC }, ...before] : before;
  return from.some(
    (each) =>
      each.atS <= read.atS &&
      read.coolantC + errorC < fastestC(each.coolantC - errorC, read.atS - each.atS, ambientC),
  );
}

export interface Believed {
  /** What one engine can have read, in time order. */
  kept: Read[];
  /** The one that no engine comes to, where it was not put right since. */
  odd?: Read;
}

/** So many have to follow a figure that is taken for a slip of the hand, over so long. */
const AFTER_SLIP = 2;
const AFTER_SLIP_S = 600;

function sorted(readings: readonly Read[], terms: Terms): Believed {
  const kept: Read[] = [];
  const odd: Read[] = [];
  for (const read of readings) {
    if (isImpossible(read, kept, terms)) odd.push(read);
    else kept.push(read);
  }
  // A sensor that fell away and came back up was out of the coolant, or a figure was mistyped: then it is over.
  const cameBack = (each: Read) =>
    readings.some(
      (later) =>
        later.atS > each.atS && later.coolantC > each.coolantC + 2 * terms.errorC && !odd.includes(later),
    );
  const last = odd.findLast((each) => !cameBack(each));
  const hottest = kept.reduce((most, each) => Math.max(most, each.coolantC), Number.NEGATIVE_INFINITY);
  const peak = kept.findIndex(({ coolantC }) => coolantC === hottest);
  const sound = kept.filter((each, place) => place < peak || !cameBack(each));
  return last ? { kept: sound, odd: last } : { kept: sound };
}

/** A reading that goes on as the two before it went is no slip. */
function isInLine(slip: Read, before: readonly Read[], { errorC }: Terms): boolean {
  const [first, second] = before.slice(-2);
  if (!first || !second || second.atS <= first.atS) return false;
  const pace = (second.coolantC - first.coolantC) / (second.atS - first.atS);
  return Math.abs(slip.coolantC - (second.coolantC + pace * (slip.atS - second.atS))) <= 2 * errorC;
}

/**
 * Which readings of a cool-down one engine can have given: none that fell faster than any engine does from whatever stood
 * before it, none under the air. One that came back up since is forgiven. A single figure that is too high between others that agree
 * without it is a slip, once two more have followed over ten minutes.
 */
export function believedOf(readings: readonly Read[], terms: Terms): Believed {
  const whole = sorted(readings, terms);
  if (!whole.odd) return whole;
  for (let place = 0; place < readings.length; place++) {
    const slip = readings[place];
    const after = readings.slice(place + 1);
    const hasBefore = place > 0 || terms.head !== undefined;
    if (!slip || !hasBefore || after.length < AFTER_SLIP || !whole.kept.includes(slip)) continue;
    if ((after.at(-1)?.atS ?? 0) - slip.atS < AFTER_SLIP_S) continue;
    if (isInLine(slip, readings.slice(0, place), terms)) continue;
    const without = sorted([...readings.slice(0, place), ...after], terms);
    if (!without.odd) return without;
  }
  return whole;
}

/** What it stopped at is lost at once to so little of what it had over the air: more, and the sensor hangs in a pocket of air. */
const LEAST_SHARE = 0.93;
/** The first reading after it stopped has to come so soon to tell, and the pace is taken over so long. */
const SOON_S = 900;
const PACE_S = 1800;

/** Whether a cool-down begins where the engine stopped: a sensor in a pocket of air begins well below, and falls as evenly. */
export function beginsWhereItStopped(
  kept: readonly Read[],
  { ambientC = USUAL_AIR_C, head }: Terms,
): boolean {
  const first = kept[0];
  if (!first) return false;
  if (!head) return Math.max(...kept.map(({ coolantC }) => coolantC)) >= RAN_READ_C;
  if (first.atS - head.atS > SOON_S) return false;
  const later = kept.reduce((best, each) =>
    Math.abs(each.atS - first.atS - PACE_S) < Math.abs(best.atS - first.atS - PACE_S) ? each : best,
  );
  const [from, to] = [first.coolantC - ambientC, later.coolantC - ambientC];
  const pace =
    later.atS > first.atS && to > 0 && from > to ? Math.log(from / to) / (later.atS - first.atS) : 0;
  return from * Math.exp(pace * (first.atS - head.atS)) >= LEAST_SHARE * (head.hottestC - ambientC);
}

/** An engine that is so far over its air falls by more than a degree's flicker in so long, the slowest too. */
const FLAT_C = 2;
const UNREAD_STILL_AIR_C = 25;

/** Whether the newest figure has only been repeated for so long that even the slowest engine would have fallen. */
export function repeatsItself(
  readings: readonly Read[],
  last: Read,
  { ambientC = UNREAD_STILL_AIR_C }: Terms,
): boolean {
  const other = readings.findLast(({ coolantC }) => Math.abs(coolantC - last.coolantC) > 1);
  const since = readings.find(({ atS }) => atS > (other?.atS ?? Number.NEGATIVE_INFINITY));
  if (!since) return false;
  const over = Math.max(0, last.coolantC - ambientC);
  return over * (1 - Math.exp(-(last.atS - since.atS) / SLOWEST_S)) > FLAT_C;
}
