/** What a vehicle had run when somebody read it. */
export interface DistanceRead {
  /** ISO date and time. */
  at: string;
  km: number;
}

export interface DrivingPattern {
  /** Kilometres a day: the middle one, and the tenth slowest and fastest of the days. */
  kmPerDay: { low: number; likely: number; high: number };
}

const DAY_MS = 86_400_000;
/** Read twice within that, the distance between says nothing of how it is driven. */
const LEAST_DAYS = 3;
/** Nothing on a road runs more: one of the two was misread. */
const MOST_KM_PER_DAY = 2000;
/** How it was driven longer ago than the last so many stretches says little of how it is driven now. */
const MOST_STRETCHES = 12;

interface Stretch {
  days: number;
  kmPerDay: number;
}

/** The rate below which this share of the days was driven. */
function quantile(stretches: readonly Stretch[], share: number): number {
  const sorted = [...stretches].sort((a, b) => a.kmPerDay - b.kmPerDay);
  const days = sorted.reduce((sum, stretch) => sum + stretch.days, 0);
  let passed = 0;
  for (const stretch of sorted) {
    passed += stretch.days;
    if (passed >= share * days) return stretch.kmPerDay;
  }
  return sorted.at(-1)?.kmPerDay ?? 0;
}

/**
 * How a vehicle is driven, km a day, from its distances as they were read: medians over days, so that one long trip or one
 * misread figure moves it little. A figure lower than one before it, or further than anything drives, is left out. Nothing
 * where two readings three days apart are not there.
 */
export function drivingPattern(readings: readonly DistanceRead[]): DrivingPattern | undefined {
  const sorted = readings
    .filter(({ at, km }) => Number.isFinite(Date.parse(at)) && Number.isFinite(km) && km >= 0)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const stretches: Stretch[] = [];
  let last = sorted[0];
  for (const next of sorted.slice(1)) {
    if (!last) break;
    const days = (Date.parse(next.at) - Date.parse(last.at)) / DAY_MS;
    if (days < LEAST_DAYS) continue;
    const kmPerDay = (next.km - last.km) / days;
    if (kmPerDay > MOST_KM_PER_DAY) continue;
    if (kmPerDay >= 0) stretches.push({ days, kmPerDay });
    last = next;
  }
  const recent = stretches.slice(-MOST_STRETCHES);
  if (recent.length === 0) return undefined;
  const [low, likely, high] = [0.1, 0.5, 0.9].map((share) => quantile(recent, share));
  return { kmPerDay: { low: low ?? 0, likely: likely ?? 0, high: high ?? 0 } };
}
