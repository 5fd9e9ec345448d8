/** Two clocks of one shop may differ by so much and nobody minds. */
const SAME_MS = 20_000;
/** A clock that is further off is none: what it says of when is left to the use-case. */
const MOST_OFF_MS = 86_400_000;

/**
 * A moment by a browser's clock as the server's clock would have had it. `says` is what that clock said as it was sent, ISO 8601, and
 * `now` the server's time then; where it says nothing readable the moment is left as it is.
 */
export function byServersClock(at: string, says: string | null, now: Date): string {
  const offMs = now.getTime() - Date.parse(says ?? "");
  const isOff = Math.abs(offMs) > SAME_MS && Math.abs(offMs) < MOST_OFF_MS;
  const there = new Date(Date.parse(at) + offMs);
  return isOff && !Number.isNaN(there.getTime()) ? there.toISOString() : at;
}
