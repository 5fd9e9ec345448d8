import { type Curve, fitHinge } from "./curve.ts";
import type { Opening, ShutClimb } from "./find-opening.ts";
import type { RevsHold } from "./revs.ts";

/** What raised revs bring has come to the sensor after this, and the climb is even. */
const SETTLED_S = 25;
const LEAST_SIDE_S = 20;
/** A shut engine climbs at least at this share of its quickest under raised revs. */
const SHUT_SHARE = 0.55;
/** What is left of the climb once the valve is open, at the most. */
const OPEN_SHARE = 0.45;
const NEAR_CARD_C = 3;
/** The radiator's cold water comes after the opening and pulls the second line down: the two cross this much too soon. */
const CROSS_EARLY_S = 4;

/**
 * An opening while the revs were held up, where the balance of the idling engine promises nothing to be trusted: the one
 * clear bend of the hold's own climb, and only at the card's opening, since other bends may have other causes.
 */
export function openingInHold(
  curve: Curve,
  holds: readonly RevsHold[],
  cardC: number,
  { quickest }: ShutClimb,
): Opening | undefined {
  for (const hold of holds) {
    const from = hold.from + SETTLED_S;
    const to = Math.min(hold.to, curve.length - 1);
    if (to - from < 2 * LEAST_SIDE_S || curve.mean(from, from + 5) > cardC) continue;
    const hinge = fitHinge(curve, from, to, LEAST_SIDE_S);
    if (!hinge) continue;
    const at = Math.round(hinge.at + CROSS_EARLY_S);
    const coolantC = hinge.value + CROSS_EARLY_S * hinge.before;
    const share = hinge.after / Math.max(hinge.before, 1e-3);
    const isShut = hinge.before > SHUT_SHARE * quickest;
    if (!isShut || share > OPEN_SHARE || Math.abs(coolantC - cardC) > NEAR_CARD_C) continue;
    return {
      at,
      coolantC,
      isProven: false,
      before: hinge.before,
      after: hinge.after,
      share,
    };
  }
  return undefined;
}
