import { format, fromShown, type System } from "../../kernel/units/index.ts";

/** A distance that was read, and when. */
export interface DistanceRead {
  km: number;
  /** Milliseconds since 1970. */
  ms: number;
}

export interface DistanceTrouble {
  /** The reading that this one can't stand beside. */
  against: DistanceRead;
  /** One sentence, without advice. */
  words: string;
}

const latest = (reads: readonly DistanceRead[]) =>
  reads.reduce<DistanceRead | undefined>(
    (last, each) => (last && last.ms > each.ms ? last : each),
    undefined,
  );
const earliest = (reads: readonly DistanceRead[]) =>
  reads.reduce<DistanceRead | undefined>(
    (first, each) => (first && first.ms <= each.ms ? first : each),
    undefined,
  );

/**
 * What is wrong with a distance beside the one read last before it and the one read next after it: none runs backwards. `shownIn` is how
 * people read and type it: what is shown is rounded to a whole kilometre or mile, so one of those less is the same. Nothing where it can be.
 * Only neighbours are asked: an instrument that was changed, and said so by a reading that fell, holds no later one back.
 * @example distanceTrouble({ km: 90_000, ms: 2 }, [{ km: 184_220, ms: 1 }], "metric")?.words // "It has run 184 220 km already."
 */
export function distanceTrouble(
  read: DistanceRead,
  known: readonly DistanceRead[],
  shownIn: System,
): DistanceTrouble | undefined {
  const roundedKm = fromShown(1, "distance", shownIn);
  const told = ({ km }: DistanceRead) => format(km, "distance", shownIn);
  const before = latest(known.filter(({ ms }) => ms <= read.ms));
  if (before && before.km - read.km > roundedKm)
    return { against: before, words: `It has run ${told(before)} already.` };
  const after = earliest(known.filter(({ ms }) => ms > read.ms));
  if (after && read.km - after.km > roundedKm)
    return { against: after, words: `Later it had run only ${told(after)}.` };
  return undefined;
}
