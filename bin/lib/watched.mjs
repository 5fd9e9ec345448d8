import { isStopping, start } from "./processes.mjs";
import { say } from "./say.mjs";

const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 30_000;
/** One that ran so long fell for a reason of its own: the next pause is the first again. */
const SOUND_MS = 60_000;

/** How long to wait before the next start, after a pause of so long and a run of so long. */
export const nextPause = (lastPauseMs, ranMs) =>
  lastPauseMs === 0 || ranMs > SOUND_MS ? FIRST_PAUSE_MS : Math.min(2 * lastPauseMs, LONGEST_PAUSE_MS);

/**
 * Starts a child, and again whenever it ends though nobody stopped it, each time after a longer pause. `onStart` is given each
 * child as it starts; what comes back resolves with the code of one that ended before it was ever `isUp`.
 */
export function keepRunning(name, command, args, { onStart, isUp, ...options }) {
  return new Promise((resolve) => {
    let pauseMs = 0;
    const launch = () => {
      const child = start(command, args, options);
      const from = Date.now();
      onStart?.(child);
      child.on("exit", (code, signal) => {
        if (isStopping() || !isUp()) return resolve(code ?? 1);
        pauseMs = nextPause(pauseMs, Date.now() - from);
        say(`${name} ended by itself (${signal ?? code}); it is started again in ${pauseMs / 1000} s.`);
        setTimeout(() => isStopping() || launch(), pauseMs);
      });
    };
    launch();
  });
}
