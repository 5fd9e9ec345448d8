import type { StageState } from "../../core/stages/overview/index.ts";

const WORDS: Record<StageState["state"], string> = {
  untouched: "untouched",
  "under-way": "under way",
  done: "done",
  open: "has something open",
};

/** A stage's state by shape: ring, half-filled ring, disc with tick, notched square. */
export function StageMark({ state }: { state: StageState["state"] }) {
  return (
    <svg width="16" height="16" viewBox="0 0 20 20" role="img" aria-label={WORDS[state]} className="shrink-0">
      {state === "untouched" && (
        <circle cx="10" cy="10" r="8" fill="none" stroke="currentColor" strokeWidth="1.6" />
      )}
      {state === "under-way" && (
        <>
          <circle cx="10" cy="10" r="8" fill="none" stroke="currentColor" strokeWidth="2" />
          <path d="M10 2a8 8 0 0 0 0 16z" fill="currentColor" />
        </>
      )}
      {state === "done" && (
        <>
          <circle cx="10" cy="10" r="9" fill="currentColor" />
          <path d="M5.5 10.5l3 3 6-6.5" fill="none" stroke="var(--paper)" strokeWidth="2.2" />
        </>
      )}
      {state === "open" && <path d="M1.5 1.5h17v17h-6v-7h-5v7h-6z" fill="currentColor" />}
    </svg>
  );
}
