import { useEffect, useState, useSyncExternalStore } from "react";
import { announcements } from "./announcer.ts";

/** The page's one live region for what was done: two places in turn, so that the same words are read out again. */
export function Announcer() {
  const { text, turn } = useSyncExternalStore(
    announcements.subscribe,
    announcements.snapshot,
    announcements.snapshot,
  );
  return (
    <div className="sr-only" data-announcer>
      {[0, 1].map((place) => (
        <p key={place} role="status" aria-label="What was done">
          {turn % 2 === place ? text : ""}
        </p>
      ))}
    </div>
  );
}

const PAUSE_MS = 1000;

/**
 * What stands beside a field, read out once whoever types has paused: at each letter it would be noise. An error is an
 * alert.
 */
export function AfterPause({ text, isError = false }: { text: string; isError?: boolean }) {
  const [said, setSaid] = useState("");
  useEffect(() => {
    if (text === "") return setSaid("");
    const timer = setTimeout(() => setSaid(text), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [text]);
  if (isError && said === "") return null;
  return (
    <span role={isError ? "alert" : "status"} className="sr-only">
      {said}
    </span>
  );
}
