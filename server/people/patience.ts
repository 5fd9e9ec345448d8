/** Wrong tries in a row that cost nothing but the trying. */
const FREE_TRIES = 5;
/** From then on each try must wait this much longer than the one before. */
const SLOWER_BY_S = 10;
/** From this many on the name is paused. */
const PAUSE_FROM = 10;
const PAUSE_S = 15 * 60;

/** Seconds until a name may be tried again, from its wrong tries in a row and when the last one was. */
export function secondsToWait(failures: number, failedAt: Date | null, now: Date): number {
  if (failures < FREE_TRIES || !failedAt) return 0;
  const pause = failures >= PAUSE_FROM ? PAUSE_S : SLOWER_BY_S * (failures - FREE_TRIES + 1);
  return Math.max(0, Math.ceil(pause - (now.getTime() - failedAt.getTime()) / 1000));
}

export function waitWords(seconds: number): string {
  if (seconds <= 90) return `Too many wrong tries. Wait ${seconds} s, then try again.`;
  return `This name is paused after too many wrong tries. It opens again in ${Math.ceil(seconds / 60)} min; a lead can help before that.`;
}
