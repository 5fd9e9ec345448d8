import { millimetres } from "./measure.ts";

export interface Toleranced {
  mm: number;
  plusMinusMm: number;
}

export interface Stack {
  parts: readonly (Toleranced & { name: string })[];
  spaceMm: Toleranced;
}

export interface Clearance {
  /** What is left with every part as named. */
  gapMm: number;
  /** What is left at worst: every part at its biggest, the space at its smallest. */
  worstMm: number;
  /** What is left where they vary one without the other: less the root of the sum of their squares. */
  rssMm: number;
}

function checked({ mm, plusMinusMm }: Toleranced, what: string): void {
  millimetres(mm, 0, 5000, what);
  millimetres(plusMinusMm, 0, mm || 5000, `tolerance of ${what}`);
}

/**
 * What is left of a space when parts stand in it one behind the other, mm; less than nothing where they touch. Throws
 * `RangeError` on a length outside 0 to 5000 mm, or a tolerance bigger than the part.
 */
export function clearance({ parts, spaceMm }: Stack): Clearance {
  checked(spaceMm, "space");
  for (const part of parts) checked(part, part.name);
  const all = [...parts, spaceMm].map(({ plusMinusMm }) => plusMinusMm);
  const gapMm = spaceMm.mm - parts.reduce((sum, { mm }) => sum + mm, 0);
  return {
    gapMm,
    worstMm: gapMm - all.reduce((sum, each) => sum + each, 0),
    rssMm: gapMm - Math.hypot(...all),
  };
}

/** Of several places the one that touches first: the least left at worst. Nothing where there are none. */
export const touchesFirst = <Place extends Stack & { name: string }>(
  places: readonly Place[],
): (Place & Clearance) | undefined =>
  places
    .map((place) => ({ ...place, ...clearance(place) }))
    .sort((a, b) => a.worstMm - b.worstMm)
    .at(0);
