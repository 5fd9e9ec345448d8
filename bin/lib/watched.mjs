import { isStopping, start } from "./processes.mjs";
import { say } from "./say.mjs";

const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 30_000;
/** One that ran so long fell for a reason of its own: the next pause is the first again. */
const SOUND_MS = 60_000;

/**
 * Starts a child, and again whenever it ends though nobody stopped it, each time after a longer pause. `onStart` is given each
 * child as it starts; what comes back resolves with the code of one that ended before it was ever `isUp`.
 */
export function keepRunning(name, command, args, { onStart, isUp, ...options }) {
  return new Promise((resolve) => {
    let pauseMs = FIRST_PAUSE_MS;
    const launch = () => {
      const child = start(command, args, options);
      const from = Date.now();
      onStart?.(child);
      child.on("exit", (code, signal) => {
        if (isStopping() || !isUp()) return resolve(code ?? 1);
        if (Date.now() - from > SOUND_MS) pauseMs = FIRST_PAUSE_MS;
        say(`${name} ended by itself (${signal ?? code}); it is started again in ${pauseMs / 1000} s.`);
        setTimeout(() => isStopping() || launch(), pauseMs);
        pauseMs = Math.min(2 * pauseMs, LONGEST_PAUSE_MS);
      });
    };
    launch();
  });
}
