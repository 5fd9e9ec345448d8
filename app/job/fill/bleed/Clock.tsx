import { useEffect, useRef } from "react";
import { announce } from "../../../ui/announcer.ts";
import { clockOf } from "../../../ui/dates.ts";
import { useNow } from "../../../ui/useNow.ts";
import { call } from "./call.ts";

const pad = (value: number) => String(value).padStart(2, "0");

/** What is left of a step that runs by the clock, from the book's own times: any browser shows the same. */
export function Clock({ endsAt, timeZone }: { endsAt: string; timeZone: string }) {
  const end = Date.parse(endsAt);
  const now = useNow(true);
  const left = Math.max(0, Math.ceil((end - now) / 1000));
  const wasRunning = useRef(left > 0);
  useEffect(() => {
    if (left > 0) {
      wasRunning.current = true;
      return;
    }
    if (!wasRunning.current) return;
    wasRunning.current = false;
    call();
    announce("The step's time is over.");
  }, [left]);
  return (
    <p className="flex items-baseline gap-4">
      <span className="figure text-5xl" role="timer" aria-label="Left of this step">
        {pad(Math.floor(left / 60))}:{pad(left % 60)}
      </span>
      <span className="text-ink-2">
        {left > 0 ? `until ${clockOf(endsAt, timeZone)}` : "its time is over"}
      </span>
    </p>
  );
}
