import { useEffect, useState } from "react";

const SECOND_MS = 1000;
const stepped = (stepMs: number) => Math.ceil(Date.now() / stepMs) * stepMs;

/**
 * The time, anew every second while something runs by it; the next whole `stepMs` where so much will do, and nothing is
 * drawn again in between.
 */
export function useNow(isRunning: boolean, stepMs = 1): number {
  const [now, setNow] = useState(() => stepped(stepMs));
  useEffect(() => {
    if (!isRunning) return;
    const tick = () => setNow(stepped(stepMs));
    tick();
    const timer = setInterval(tick, SECOND_MS);
    // A locked screen stops timers: what it missed is looked up as soon as it is seen again.
    document.addEventListener("visibilitychange", tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", tick);
    };
  }, [isRunning, stepMs]);
  return now;
}
