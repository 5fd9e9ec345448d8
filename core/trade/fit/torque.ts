export const BOLT_CLASSES = ["4.6", "8.8", "10.9"] as const;
export type BoltClass = (typeof BOLT_CLASSES)[number];

export const TIGHTENED_INTO = ["steel", "aluminium", "plastic"] as const;
export type TightenedInto = (typeof TIGHTENED_INTO)[number];

/** Metric coarse threads (ISO 261) with the flat of their hexagon (ISO 4014) and a medium clearance hole (ISO 273), mm. */
const THREADS: Readonly<Record<number, { pitchMm: number; flatMm: number; holeMm: number }>> = {
  4: { pitchMm: 0.7, flatMm: 7, holeMm: 4.5 },
  5: { pitchMm: 0.8, flatMm: 8, holeMm: 5.5 },
  6: { pitchMm: 1, flatMm: 10, holeMm: 6.6 },
  8: { pitchMm: 1.25, flatMm: 13, holeMm: 9 },
  10: { pitchMm: 1.5, flatMm: 16, holeMm: 11 },
  12: { pitchMm: 1.75, flatMm: 18, holeMm: 13.5 },
};
export const TORQUE_THREADS_MM = Object.keys(THREADS).map(Number);

/** Yield, MPa: ISO 898-1. */
const YIELD_MPA: Record<BoltClass, number> = { "4.6": 240, "8.8": 640, "10.9": 940 };
/** Lightly oiled or plated, as they come out of a bag. */
const FRICTION = 0.12;
const OF_YIELD = 0.9;
/** A thread cut in an alloy casting gives way before the bolt does; shops take about two thirds. */
const IN_ALUMINIUM = 0.67;

/**
 * General tightening torque of a metric coarse bolt, N·m, for M4, 5, 6, 8, 10 and 12: tightened to nine tenths of its
 * yield by VDI 2230 with a friction of 0.12, two thirds of that into aluminium. Into plastic there is none: snug only.
 * The vehicle maker's figure comes before it. Throws `RangeError` for other threads.
 * @example generalTorque({ diameterMm: 8, strength: "8.8", into: "steel" }).nm // 24.6
 */
export function generalTorque({
  diameterMm,
  strength,
  into,
}: {
  diameterMm: number;
  strength: BoltClass;
  into: TightenedInto;
}): { nm: number } | { snugOnly: true } {
  const thread = THREADS[diameterMm];
  if (!thread)
    throw new RangeError(`M${diameterMm}: general figures are for M${TORQUE_THREADS_MM.join(", M")}.`);
  if (into === "plastic") return { snugOnly: true };
  const { pitchMm, flatMm, holeMm } = thread;
  const flankMm = diameterMm - 0.6495 * pitchMm;
  const coreMm = diameterMm - 1.2269 * pitchMm;
  const stressMm = (flankMm + coreMm) / 2;
  const twist = (3 / 2) * (flankMm / stressMm) * (pitchMm / (Math.PI * flankMm) + 1.155 * FRICTION);
  const preloadN =
    ((Math.PI / 4) * stressMm ** 2 * OF_YIELD * YIELD_MPA[strength]) / Math.sqrt(1 + 3 * twist ** 2);
  const headMm = (0.9 * flatMm + holeMm) / 4;
  const nm = (preloadN * (0.16 * pitchMm + 0.58 * flankMm * FRICTION + headMm * FRICTION)) / 1000;
  return { nm: into === "aluminium" ? nm * IN_ALUMINIUM : nm };
}
