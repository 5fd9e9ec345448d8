import type { WorkOrder } from "../../../core/stages/plan/index.ts";
import { useMember } from "../../desk/member.ts";
import { clockOf } from "../../ui/dates.ts";

const MINUTE_MS = 60_000;
const minutesLeft = (until: string, now: string) =>
  Math.max(1, Math.ceil((Date.parse(until) - Date.parse(now)) / MINUTE_MS));

/** The clocks that run between steps: what may not be begun before one is out, and what passes by itself meanwhile. */
export function Resting({ work, now }: { work: WorkOrder; now: string }) {
  const { timeZone } = useMember();
  const rows = [
    ...work.resting.map(({ step, until, holds }) => ({
      step,
      until,
      words: holds.length > 0 ? `holds: ${holds.map(({ name }) => name).join(", ")}` : "holds nothing yet",
    })),
    ...work.passing.map(({ step, until }) => ({ step, until, words: "passes by itself: go on meanwhile" })),
  ];
  if (rows.length === 0) return null;
  return (
    <ul aria-label="Clocks that run" className="flex flex-col">
      {rows.map(({ step, until, words }) => (
        <li key={step.id} className="flex flex-wrap items-baseline gap-x-3 border-rule border-b py-1">
          <span className="font-bold">{step.name}</span>
          <span className="figure">
            {minutesLeft(until, now)} min, until {clockOf(until, timeZone)}
          </span>
          <span className="text-ink-2">{words}</span>
        </li>
      ))}
    </ul>
  );
}
