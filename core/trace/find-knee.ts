import { type Curve, fitHinge, type Hinge } from "./curve.ts";

/** A knee is looked for with a minute of climb on either side of it. */
const REACH_S = 60;
/** Below this the engine isn't warming, °C a second. */
const LEAST_CLIMB = 0.02;
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
  const search = (share: number, isPlausible: (coolantC: number) => boolean): number | undefined => {
    let best: { cell: number; fall: number } | undefined;
    for (let cell = 30; cell + 25 < Math.min(until, curve.length); cell++) {
      const coolantC = smooth[cell] ?? 0;
      if (!isPlausible(coolantC)) continue;
      if (revsStepsS.some((step) => Math.abs(step - cell) < REVS_APART_S)) continue;
      const before = curve.line(cell - REACH_S, cell).slope;
      const after = curve.line(cell + 5, Math.min(cell + 5 + REACH_S, until)).slope;
      if (before < LEAST_CLIMB || after > share * before) continue;
      const fall = before - after;
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
