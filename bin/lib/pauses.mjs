const FIRST_PAUSE_MS = 500;
/** A crash that comes again is no worse for being tried every few seconds, and whoever waits for it is served sooner. */
const LONGEST_PAUSE_MS = 5000;
/** One that ran so long fell for a reason of its own: the next pause is the first again. */
const SOUND_MS = 60_000;

/** How long to wait before the next start, after a pause of so long and a run of so long. */
export const nextPause = (lastPauseMs, ranMs) =>
  lastPauseMs === 0 || ranMs > SOUND_MS ? FIRST_PAUSE_MS : Math.min(2 * lastPauseMs, LONGEST_PAUSE_MS);
