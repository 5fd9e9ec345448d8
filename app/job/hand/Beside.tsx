import type { Next, Waiting } from "../../../core/stages/next/index.ts";
import { STAGE_NAMES } from "../../shell/stage-names.ts";
import { whenOf } from "../../ui/dates.ts";
import { useJob } from "../stage/context.ts";

const MINUTE_MS = 60_000;
const SOON_MIN = 90;
const WAIT_WORDS: Record<Waiting["for"], string> = {
  hands: "hands",
  heat: "it cools",
  parts: "parts",
  night: "a night",
  owner: "the owner",
  clock: "runs",
};

export const isAnythingBeside = ({ waiting, then }: Next) => waiting.length + then.length > 0;

/** What passes by itself and for how long, and what comes after what is in hand. */
export function Beside({ next, nowMs }: { next: Next; nowMs: number }) {
  const { timeZone } = useJob();
  const { waiting, then } = next;
  if (!isAnythingBeside(next)) return null;
  const untilOf = (until: string) => {
    const minutes = Math.ceil((Date.parse(until) - nowMs) / MINUTE_MS);
    return minutes < SOON_MIN ? `${Math.max(0, minutes)} min` : whenOf(until, timeZone, nowMs);
  };
  return (
    <div className="flex flex-col gap-2 border-rule lg:border-l lg:pl-4">
      {waiting.length > 0 && (
        <div>
          <p className="text-ink-2">waits</p>
          <ul>
            {waiting.slice(0, 3).map(({ for: what, words, until }) => (
              <li key={`${what} ${words}`} className="leading-snug">
                <span className="font-bold">{WAIT_WORDS[what]}</span>
                {until && <span className="figure">, {untilOf(until)}</span>}
                <span className="line-clamp-2 text-ink-2">{words}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
      {then.length > 0 && (
        <div className="max-sm:hidden">
          <p className="text-ink-2">then</p>
          <ul>
            {then.slice(0, 3).map(({ id, what, stage }) => (
              <li key={id} className="line-clamp-2 leading-snug">
                {what} <span className="text-ink-2">{STAGE_NAMES[stage]}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
