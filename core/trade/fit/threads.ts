import type { Seat } from "./bolt-length.ts";

export interface CoarseThread {
  diameterMm: number;
  pitchMm: number;
  nutMm: number;
}

/** Coarse threads as they are found about a radiator, mm (ISO 261), with the height of their nuts (ISO 4032). */
export const THREADS = {
  M5: { diameterMm: 5, pitchMm: 0.8, nutMm: 4.7 },
  M6: { diameterMm: 6, pitchMm: 1, nutMm: 5.2 },
  M8: { diameterMm: 8, pitchMm: 1.25, nutMm: 6.8 },
  M10: { diameterMm: 10, pitchMm: 1.5, nutMm: 8.4 },
  M12: { diameterMm: 12, pitchMm: 1.75, nutMm: 10.8 },
} as const satisfies Record<string, CoarseThread>;

/** What a bolt may go into. */
export const SEATS = ["nut", "hole in steel", "hole in aluminium", "hole in plastic", "insert"] as const;
export type SeatName = (typeof SEATS)[number];

/** What a caliper's rod in a hole may be off by, mm: chips at the bottom, a slanted rod. */
const HOLE_OFF_MM = 0.5;

/** A seat by its name, for a thread, and how deep or long it is, mm; of a nut that is its own height. */
export function seatOf(name: SeatName, { nutMm }: CoarseThread, deepMm: number): Seat {
  if (name === "nut") return { kind: "nut", heightMm: nutMm };
  if (name === "insert") return { kind: "insert", lengthMm: deepMm };
  const material = name.replace("hole in ", "") as "steel" | "aluminium" | "plastic";
  return { kind: "tapped", material, depthMm: deepMm, depthPlusMinusMm: Math.min(HOLE_OFF_MM, deepMm) };
}
