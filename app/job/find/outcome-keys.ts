import { useEffect, useRef } from "react";
import type { CannotBecause } from "../../../core/facts/index.ts";

/** Under the left hand, in the order of the buttons; clear of the keys that go places. */
const KEYS: readonly string[] = ["a", "s", "d", "f", "q", "w", "e", "r"];
export const NOT_SURE_KEY = "z";
/** Why a test can't be done here, with its key. */
export const CANNOT: readonly { key: string; reason: string; why: CannotBecause }[] = [
  { key: "x", reason: "no tool", why: "tool" },
  { key: "c", reason: "no time today", why: "time" },
  { key: "v", reason: "not on this car", why: "car" },
  { key: "b", reason: "too hot now", why: "hot" },
];

export const keyFor = (index: number): string => KEYS[index] ?? "";

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));

interface Doings {
  outcome: (index: number) => void;
  unsure: () => void;
  cannot: (why: CannotBecause) => void;
}

/** Outcome buttons by key, while nobody types and no place was asked for with g just before. */
export function useOutcomeKeys(outcomes: number, doings: Doings): void {
  const latest = useRef(doings);
  latest.current = doings;
  const goingAt = useRef(0);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || isTyping(event.target)) return;
      if (document.querySelector('[role="dialog"]')) return;
      if (event.key === "g") {
        goingAt.current = Date.now();
        return;
      }
      if (Date.now() - goingAt.current < 1200) return;
      const index = KEYS.slice(0, outcomes).indexOf(event.key);
      if (index >= 0) latest.current.outcome(index);
      else if (event.key === NOT_SURE_KEY) latest.current.unsure();
      else {
        const why = CANNOT.find(({ key }) => key === event.key);
        if (!why) return;
        latest.current.cannot(why.why);
      }
      event.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [outcomes]);
}
