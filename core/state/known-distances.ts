import type { Entry } from "../book/entry/index.ts";
import { Distance, factsOf } from "../book/facts/index.ts";
import type { System } from "../kernel/units/index.ts";
import { type DistanceRead, type DistanceTrouble, distanceTrouble } from "../trade/car/index.ts";

/** What a job's car has run, as it is known beside the job's own book. */
export interface CarHasRun {
  vehicle: {
    /** The last that was read, on this job or another. */
    distanceKm: number | null;
  };
  /** As it was read last before this job was opened, or as it came into the shop's books; nothing where nobody said. */
  ranBeforeKm: number | null;
}

const BEFORE_ALL = Number.NEGATIVE_INFINITY;

/**
 * The distances that one read now on a job stands beside: the car's own, and those of the job's book. `without` is the line that is
 * to be put right: it holds nothing back, nor does the car's distance, which followed it; then what it had run before this job stands for the rest.
 */
export function knownDistances(
  entries: readonly Entry[],
  { vehicle, ranBeforeKm }: CarHasRun,
  without?: string,
): DistanceRead[] {
  const read = factsOf(entries, Distance)
    .filter(({ entry }) => entry.id !== without)
    .map(({ entry }) => ({ km: entry.value ?? 0, ms: Date.parse(entry.at) }));
  const km = without === undefined ? vehicle.distanceKm : ranBeforeKm;
  return km === null ? read : [{ km, ms: BEFORE_ALL }, ...read];
}

/**
 * What is wrong with a distance that is read now on a job, or that puts line `corrects` right and was read when that one was; nothing where it
 * can be.
 */
export function fallenDistance(
  entries: readonly Entry[],
  car: CarHasRun,
  { km, corrects }: { km: number; corrects?: string | undefined },
  shownIn: System,
): DistanceTrouble | undefined {
  const corrected = entries.find(({ id }) => id === corrects);
  const ms = corrected ? Date.parse(corrected.at) : Number.POSITIVE_INFINITY;
  return distanceTrouble({ km, ms }, knownDistances(entries, car, corrects), shownIn);
}
