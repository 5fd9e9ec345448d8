/** What was typed longer ago than this was kept by a clock that is wrong. */
const OLDEST_MS = 7 * 86_400_000;

/** When something was typed, ISO 8601, that a browser kept until there was a server: now where its clock can't be right. */
export function typedAt(at: string, now: Date): Date {
  const typed = new Date(at);
  const age = now.getTime() - typed.getTime();
  return age >= 0 && age <= OLDEST_MS ? typed : now;
}
