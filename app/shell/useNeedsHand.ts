import { useEffect, useRef, useState } from "react";
import { useLocation } from "react-router";
import type { MineNow } from "../../server/books/day/read-mine-now.ts";
import { isSoundOn, ring } from "../desk/sound.ts";
import { announce } from "../ui/announcer.ts";

const ASK_MS = 60_000;

/**
 * Beside one car: another that should have this person's hand by now. Said once, with a sound where this browser has it on. Whoever
 * is where they should be is not called away.
 */
export function useNeedsHand(): MineNow | undefined {
  const { pathname } = useLocation();
  const [now, setNow] = useState<readonly MineNow[]>([]);
  const told = useRef(new Set<string>());
  useEffect(() => {
    let isGone = false;
    const ask = async () => {
      if (document.visibilityState !== "visible" || !navigator.onLine) return;
      // Asked aside from the page: whatever comes instead of an answer, the page stands.
      const answer = await fetch("/mine/now", { headers: { Accept: "application/json" } })
        .then((each) => (each.ok ? (each.json() as Promise<{ now?: MineNow[] }>) : undefined))
        .catch(() => undefined);
      if (!isGone && Array.isArray(answer?.now)) setNow(answer.now);
    };
    void ask();
    const timer = setInterval(() => void ask(), ASK_MS);
    return () => {
      isGone = true;
      clearInterval(timer);
    };
  }, []);
  const isHere = now.some(({ jobId }) => pathname.includes(jobId));
  const [first] = pathname.startsWith("/jobs/") && !isHere ? now : [];
  const key = first && first.jobId + first.piece;
  useEffect(() => {
    if (!first || !key || told.current.has(key)) return;
    told.current.add(key);
    announce(`${first.plate} needs a hand.`);
    if (isSoundOn()) ring();
  }, [first, key]);
  return first;
}
