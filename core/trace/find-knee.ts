import { type Curve, fitHinge, type Hinge } from "./curve.ts";

/** A knee is looked for with a minute of climb on either side of it. */
const REACH_S = 60;
/**
 * Over twice that reach a real bend still stands out, where jitter has averaged away and a curve that only levels off
 * little by little has hardly changed its rate.
 */
const LONG_REACH_S = 120;
const LONG_SHARE = 0.7;
const LONG_FALL = 0.8 / 60;
/** With less of the climb behind it than this no bend can be told from jitter, or from the fan's own turn. */
const LEAST_AFTER_S = 60;
/** A bend with less than this behind it must be a strong one. */
const SHORT_S = 75;
const SHORT_FALL = 2 / 60;
/** Below this the engine isn't warming, °C a second. */
const LEAST_CLIMB = 0.02;
/** Whole degrees and jitter alone make two neighbouring minutes differ by less than this, °C a second. */
const LEAST_FALL = 1.1 / 60;
/** The climb after an opening thermostat, as a share of the climb before. */
const NEAR_CARD_SHARE = 0.62;
const ELSEWHERE_SHARE = 0.5;
const NEAR_CARD_C = 12;
/** No coolant thermostat opens outside these. */
const COLDEST_KNEE_C = 60;
const HOTTEST_KNEE_C = 118;
/** The stretch before the bend that is surely still the shut thermostat's climb. */
const CLIMB_FROM_S = 90;
const CLIMB_TO_S = 22;
/** Less than this below the line of the climb can't be told from jitter over seven readings. */
const ONSET_C = 0.3;
/** A coolant sensor feels the cold slug this much after the thermostat let it go. */
const SENSOR_LAG_S = 4;
/** A change of revs bends the curve too. */
const REVS_APART_S = 30;

/**
 * Where the climb bends as the thermostat opens: the sharpest lasting fall of the rate, near the card's opening first,
 * elsewhere only where it is sharper still. `until` is the cell past which a fan would bend the curve.
 */
export function findKnee(
  curve: Curve,
  until: number,
  opensC: number,
  revsStepsS: number[],
): Hinge | undefined {
  const smooth = curve.smooth(15);
  const lasts = (cell: number) => {
    const end = Math.min(cell + 5 + LONG_REACH_S, until);
    const before = curve.line(Math.max(0, cell - LONG_REACH_S), cell).slope;
    const after = curve.line(cell + 5, end).slope;
    const least = end - cell < SHORT_S ? SHORT_FALL : LONG_FALL;
    return after <= LONG_SHARE * before && before - after >= least;
  };
  const search = (share: number, isPlausible: (coolantC: number) => boolean): number | undefined => {
    let best: { cell: number; fall: number } | undefined;
    for (let cell = 30; cell + LEAST_AFTER_S < Math.min(until, curve.length); cell++) {
      const coolantC = smooth[cell] ?? 0;
      if (!isPlausible(coolantC)) continue;
      if (revsStepsS.some((step) => Math.abs(step - cell) < REVS_APART_S)) continue;
      const before = curve.line(cell - REACH_S, cell).slope;
      const after = curve.line(cell + 5, Math.min(cell + 5 + REACH_S, until)).slope;
      if (before < LEAST_CLIMB || after > share * before) continue;
      const fall = before - after;
      if (fall < LEAST_FALL || !lasts(cell)) continue;
      if (!best || fall > best.fall) best = { cell, fall };
    }
    return best?.cell;
  };
  const cell =
    search(NEAR_CARD_SHARE, (coolantC) => Math.abs(coolantC - opensC) <= NEAR_CARD_C) ??
    search(ELSEWHERE_SHARE, (coolantC) => coolantC >= COLDEST_KNEE_C && coolantC <= HOTTEST_KNEE_C);
  if (cell === undefined) return undefined;
  const hinge = fitHinge(curve, Math.max(0, cell - 75), Math.min(until, cell + 45));
  return hinge && atOnset(curve, hinge);
}

/** The opening starts before the two lines cross: where the curve last stood on the line of the climb. */
function atOnset(curve: Curve, hinge: Hinge): Hinge {
  const climb = curve.line(Math.max(0, hinge.at - CLIMB_FROM_S), hinge.at - CLIMB_TO_S);
  let at = Math.round(hinge.at);
  const earliest = at - CLIMB_TO_S;
  while (at > earliest && climb.at(at) - curve.mean(at - 3, at + 4) > ONSET_C) at--;
  const opened = Math.max(0, at - SENSOR_LAG_S);
  return { ...hinge, at: opened, value: climb.at(opened) };
}
