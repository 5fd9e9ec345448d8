import { millimetres, mm } from "./measure.ts";

export type Seat =
  | { kind: "nut"; heightMm: number }
  | {
      kind: "tapped";
      material: "steel" | "aluminium" | "plastic";
      depthMm: number;
      /** How far off that depth may be, as it was measured; exact where nobody says. */
      depthPlusMinusMm?: number;
    }
  | { kind: "insert"; lengthMm: number; clearBehindMm?: number };

export interface Joint {
  /** What the bolt goes through, from its head on: washers, bracket, bush, flange. */
  stackMm: readonly number[];
  thread: { diameterMm: number; pitchMm: number };
  seat: Seat;
}

export type BoltLength = { leastMm: number; lengthMm: number; spareMm: number } | { refused: string };

/** Nominal lengths of bolts and screws, mm (ISO 888, without those in brackets, which few shops stock). */
const STANDARD_MM = [
  2, 2.5, 3, 4, 5, 6, 8, 10, 12, 16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100, 110, 120, 130,
  140, 150, 160, 180, 200, 220, 240, 260, 280, 300, 320, 340, 360, 380, 400, 420, 440, 460, 480, 500,
] as const;
/** Thread that has to be in, in diameters: as strong as the bolt in steel, and more where the hole is softer. */
const ENGAGED = { steel: 1, aluminium: 1.5, plastic: 2 } as const;
/** What has to stand out of a nut, in pitches: the first turns carry nothing. */
const BEYOND_NUT = 2;
const ROUNDING_MM = 1e-9;

/** How far the bolt has to reach past the stack, and what it must stay short of, mm. */
function reach({ thread, seat }: Joint): { least: number; most: number; bottom: string } {
  switch (seat.kind) {
    case "nut":
      return {
        least: millimetres(seat.heightMm, 0.5, 100, "height of a nut") + BEYOND_NUT * thread.pitchMm,
        most: Number.POSITIVE_INFINITY,
        bottom: "",
      };
    case "tapped": {
      const share = ENGAGED[seat.material];
      if (share === undefined)
        throw new RangeError(`“${seat.material}” is no material that a hole is tapped in here.`);
      const depth = millimetres(seat.depthMm, 0.5, 500, "depth of a hole");
      const off = millimetres(seat.depthPlusMinusMm ?? 0, 0, depth, "tolerance of that hole");
      return {
        least: share * thread.diameterMm,
        most: depth - off,
        bottom: `the hole is ${mm(depth)} deep${off === 0 ? "" : `, ${mm(depth - off)} at worst`}`,
      };
    }
    case "insert": {
      const length = millimetres(seat.lengthMm, 0.5, 200, "length of an insert");
      const clear = seat.clearBehindMm;
      if (clear !== undefined) millimetres(clear, 0, 500, "room behind an insert");
      return {
        least: length,
        most: clear === undefined ? Number.POSITIVE_INFINITY : length + clear,
        bottom: `there are ${mm(length + (clear ?? 0))} to what is behind the insert`,
      };
    }
    default:
      throw new RangeError(`“${(seat as Seat).kind}” is nothing that a bolt goes into here.`);
  }
}

/**
 * The bolt for a joint: the least length that holds, the next standard length (ISO 888) and what is left over, mm. What
 * holds: a nut's height and two pitches beyond it; in a tapped hole one diameter in steel, one and a half in aluminium,
 * two in plastic; an insert's whole length. Refused, with the reason, where the next length would reach the bottom (a bolt
 * that stands on it clamps nothing), where the hole is too shallow to hold, or where no bolt is so long. Throws `RangeError` on figures that no
 * joint has: a stack of nothing, a pitch as coarse as the bolt is thick.
 */
export function boltLength(joint: Joint): BoltLength {
  const { stackMm, thread } = joint;
  millimetres(thread.diameterMm, 1, 64, "diameter of a bolt");
  millimetres(thread.pitchMm, 0.2, Math.min(6, thread.diameterMm / 2), "pitch of that bolt");
  if (stackMm.length === 0) throw new RangeError("A bolt that goes through nothing clamps nothing.");
  for (const each of stackMm) millimetres(each, 0.05, 100_000, "thickness in a stack");
  const stack = stackMm.reduce((sum, each) => sum + each, 0);
  const { least, most, bottom } = reach(joint);
  const leastMm = stack + least;
  if (least >= most - ROUNDING_MM)
    return {
      refused: `${mm(least)} of thread have to be in, and ${bottom}: it can't hold. Use an insert or a longer hole.`,
    };
  const lengthMm = STANDARD_MM.find((length) => length >= leastMm - ROUNDING_MM);
  if (lengthMm === undefined)
    return {
      refused: `${mm(leastMm)} would be needed, and no bolt is longer than ${STANDARD_MM.at(-1)} mm: a threaded rod, or another mounting.`,
    };
  const inMm = lengthMm - stack;
  if (inMm >= most - ROUNDING_MM)
    return {
      refused: `The next length is ${lengthMm} mm, which reaches ${mm(inMm)} past the stack, and ${bottom}: it would bottom before it clamps. Add more than ${mm(inMm - most)} of washers, or cut one to less than ${mm(stack + most)}.`,
    };
  return { leastMm, lengthMm, spareMm: lengthMm - leastMm };
}
