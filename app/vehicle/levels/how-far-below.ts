import { format, fromShown, SHOWN, type System, toShown } from "../../../core/kernel/units/index.ts";
import {
  BRIM_L,
  LIFTS_MM,
  liftOf,
  MOST_MISSING_L,
  missingByHeight,
} from "../../../core/trade/leaks/index.ts";
import type { LevelForm } from "./level.form.ts";

export interface Below {
  missingL: number;
  belowMm: number | null;
  /** What was said of the tank now; null where nothing was. */
  liftsMm: number | null;
}

/**
 * How far below its line a level stands, by litres or by its height in a tank that somebody has measured.
 * @param knownMm How far a litre lifts this tank by what is in the books.
 */
export function howFarBelow(
  { missing, height, lifts, toppedUp = 0 }: Pick<LevelForm, "missing" | "height" | "lifts" | "toppedUp">,
  system: System,
  knownMm: number | undefined,
): Below | { fields: Record<string, string> } {
  const one = `one ${SHOWN.volume[system].label}`;
  const liftsMm = lifts === undefined ? null : lifts / fromShown(1, "volume", system);
  if (liftsMm !== null && !(liftsMm >= LIFTS_MM.least && liftsMm <= LIFTS_MM.most))
    return { fields: { lifts: `No car's tank: measure once more how far ${one} lifts it.` } };
  if (missing !== undefined && height !== undefined)
    return { fields: { height: "One of the two: how much is missing, or how high it stands." } };
  if (missing !== undefined) return { missingL: missing, belowMm: null, liftsMm };
  if (height === undefined)
    return { fields: { missing: "How much is missing up to the line, or how far below it stands." } };
  const tankMm = liftsMm ?? knownMm;
  if (tankMm === undefined) {
    const told = height > 0 && toppedUp > 0 ? liftOf(height, toppedUp) : undefined;
    const hint = told
      ? ` If ${format(toppedUp, "volume", system)} brought it to the line, that is ${shownLift(told, system)} ${SHOWN.length[system].label}.`
      : "";
    return { fields: { lifts: `Nobody has measured this tank yet: how far does ${one} lift it?${hint}` } };
  }
  const missingL = missingByHeight(height, tankMm);
  if (missingL > MOST_MISSING_L) return { fields: { height: "No car holds so much: look at both again." } };
  if (missingL < -BRIM_L)
    return { fields: { height: "More over its line runs out at the brim: look again." } };
  return { missingL, belowMm: height, liftsMm };
}

/** How far one litre, or one quart, lifts a tank, in the shop's units. */
export const shownLift = (liftsMm: number, system: System): number =>
  Number(
    toShown(liftsMm * fromShown(1, "volume", system), "length", system).toFixed(
      SHOWN.length[system].decimals,
    ),
  );
