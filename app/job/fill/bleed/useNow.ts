import { useEffect, useState } from "react";

const SECOND_MS = 1000;

/** The time, anew every second while something runs by it. */
export function useNow(isRunning: boolean): number {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    if (!isRunning) return;
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, SECOND_MS);
    // A locked screen stops timers: what it missed is looked up as soon as it is seen again.
    document.addEventListener("visibilitychange", tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", tick);
    };
  }, [isRunning]);
  return now;
}
