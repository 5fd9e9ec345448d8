/** A tank has no more room over its line than that, and no car loses more below it, litres. */
export const BRIM_L = 3;
export const MOST_MISSING_L = 100;

/** How far a litre lifts a tank: the widest and the narrowest that cars have, mm. */
export const LIFTS_MM = { least: 5, most: 500 } as const;

const HAIR_MM = 1e-6;

function checked(liftsMm: number): number {
  if (!(liftsMm >= LIFTS_MM.least && liftsMm <= LIFTS_MM.most))
    throw new RangeError(
      `A litre lifts a tank by ${LIFTS_MM.least} to ${LIFTS_MM.most} mm, not by ${liftsMm}.`,
    );
  return liftsMm;
}

/**
 * Litres missing by the height of what is in the tank, for sides that stand straight between line and minimum.
 * @param belowMm How far below the line, mm; negative above it.
 * @param liftsMm How far a litre lifts it, mm, within `LIFTS_MM`.
 * @throws RangeError for a tank that no car has
 */
export const missingByHeight = (belowMm: number, liftsMm: number): number => belowMm / checked(liftsMm);

/**
 * How far a litre lifts a tank, told by what brought it back to the line.
 * @param belowMm How far below the line it stood, mm, above 0.
 * @param litres What went in until it stood at the line, above 0.
 * @returns mm for a litre; nothing where that is no tank: one of the two was misread.
 */
export function liftOf(belowMm: number, litres: number): number | undefined {
  const lifts = belowMm / litres;
  // A division back may end a hair outside: that is no misreading.
  const { least, most } = LIFTS_MM;
  return lifts >= least - HAIR_MM && lifts <= most + HAIR_MM
    ? Math.min(most, Math.max(least, lifts))
    : undefined;
}
