/** What a vehicle had run when somebody read it. */
export interface DistanceRead {
  /** ISO date and time. */
  at: string;
  km: number;
}

export interface DrivingPattern {
  /** Kilometres a day. */
  kmPerDay: number;
}

const DAY_MS = 86_400_000;
/** Read twice within that, the distance between says nothing of how it is driven. */
const LEAST_DAYS = 3;
/** Nothing on a road runs more: one of the two was misread. */
const MOST_KM_PER_DAY = 2000;
/** How it was driven longer ago than the last so many readings says little of how it is driven now. */
const MOST_READINGS = 13;

/** The middle of these; the lower of two. */
const middle = (figures: readonly number[]): number | undefined =>
  [...figures].sort((a, b) => a - b)[(figures.length - 1) >> 1];

/**
 * How a vehicle is driven, km a day, from its distances as they were read: the median slope of all their pairs, so that one long trip
 * or one misread figure, the first among them too, moves it little. A pair that runs backwards, or further than anything
 * drives, is left out. Nothing where two readings three days apart are not there. Source: Theil 1950, Sen 1968.
 */
export function drivingPattern(readings: readonly DistanceRead[]): DrivingPattern | undefined {
  const recent = readings
    .map(({ at, km }) => ({ day: Date.parse(at) / DAY_MS, km }))
    .filter(({ day, km }) => Number.isFinite(day) && Number.isFinite(km) && km >= 0)
    .sort((a, b) => a.day - b.day)
    .slice(-MOST_READINGS);
  const slopes = recent.flatMap((from, place) =>
    recent
      .slice(place + 1)
      .filter(({ day }) => day - from.day >= LEAST_DAYS)
      .map(({ day, km }) => (km - from.km) / (day - from.day)),
  );
  const kmPerDay = middle(slopes.filter((slope) => slope >= 0 && slope <= MOST_KM_PER_DAY));
  return kmPerDay === undefined ? undefined : { kmPerDay };
}
