import { HANDS_COOKIE } from "./hands-cookie.ts";

const KEY = "hands-last";
const LOOKS_EVERY_MS = 10_000;
/** A page reads itself again though nobody is there: after so long without a touch it says so to the server. */
const AWAY_MS = 5 * 60_000;
const TOUCHES = ["pointerdown", "keydown"] as const;

/** When somebody last touched this browser, by its own clock; nought where nobody has yet. */
export function lastTouch(): number {
  try {
    return Number(localStorage.getItem(KEY) ?? 0);
  } catch {
    return 0;
  }
}

export function noteTouch(): void {
  try {
    localStorage.setItem(KEY, String(Date.now()));
  } catch {
    // A browser that keeps nothing asks oftener.
  }
}

const sayAway = (isAway: boolean) => {
  // biome-ignore lint/suspicious/noDocumentCookie: the other way to set one has no Firefox yet
  document.cookie = `${HANDS_COOKIE}=away; path=/; samesite=lax; max-age=${isAway ? 31_536_000 : 0}`;
};

/**
 * Calls back with how long nobody had touched it, before each touch and now and then; while that answers true no touch
 * counts. What comes back ends it.
 */
export function watchHands(onLook: (untouchedMs: number) => boolean = () => false): () => void {
  let isAway: boolean | undefined;
  const look = () => {
    const last = lastTouch();
    const untouchedMs = last > 0 ? Date.now() - last : 0;
    if (isAway !== untouchedMs >= AWAY_MS) {
      isAway = untouchedMs >= AWAY_MS;
      sayAway(isAway);
    }
    return onLook(untouchedMs);
  };
  const touch = () => {
    if (look()) return;
    noteTouch();
    if (isAway) sayAway(false);
    isAway = false;
  };
  const timer = setInterval(look, LOOKS_EVERY_MS);
  for (const name of TOUCHES) window.addEventListener(name, touch, { capture: true, passive: true });
  document.addEventListener("visibilitychange", look);
  look();
  return () => {
    clearInterval(timer);
    for (const name of TOUCHES) window.removeEventListener(name, touch, { capture: true });
    document.removeEventListener("visibilitychange", look);
  };
}
