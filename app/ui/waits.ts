import type { Wait } from "../../core/stages/overview/index.ts";
import { clockOf, dayOf } from "./dates.ts";

const MINUTE_MS = 60_000;

/** When a wait is over, or by how much it is overdue. */
export function waitUntilWords(wait: Wait, now: number, timeZone: string): string {
  if (!wait.until) return "";
  const minutes = Math.round((new Date(wait.until).getTime() - now) / MINUTE_MS);
  if (minutes < 0) return "due now";
  if (minutes < 90) return `${minutes} min to go`;
  return `${dayOf(wait.until, timeZone)}, ${clockOf(wait.until, timeZone)}`;
}
