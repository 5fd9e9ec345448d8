import { nextPause } from "./pauses.mjs";
import { isStopping, start } from "./processes.mjs";
import { say } from "./say.mjs";

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
