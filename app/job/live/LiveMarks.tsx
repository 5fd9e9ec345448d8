import { v4 as newId } from "uuid";
import type { TraceSpec } from "../../../core/trade/trace/index.ts";
import type { LiveMark } from "../../../server/books/live/read-live-log.ts";
import { useKeys } from "../../keys/useKeys.ts";
import { Button } from "../../ui/Button.tsx";
import type { LiveSent } from "./live.form.ts";

/** What is heard and felt beside a running engine, each with the key that says it. */
const ONE_FAN = [
  ["f", "fan on"],
  ["o", "fan off"],
] as const;
const TWO_STAGES = [
  ["l", "fan low on"],
  ["h", "fan high on"],
  ["o", "fan off"],
] as const;
const FELT = [
  ["x", "no fan"],
  ["t", "upper hose hot"],
  ["w", "lower hose warm"],
  ["p", "bubbles stopped"],
  ["e", "heater off"],
] as const;

/** Minutes and seconds of a log: "12:04". */
export const clockOfLog = (s: number): string =>
  `${Math.floor(Math.max(0, s) / 60)}:${String(Math.floor(Math.max(0, s) % 60)).padStart(2, "0")}`;

/** Big buttons and keys for what no port tells; each may be taken back. */
export function LiveMarks({
  spec,
  logId,
  marks,
  fromS,
  onSay,
  mayBook,
}: {
  spec: TraceSpec;
  logId: string;
  marks: readonly LiveMark[];
  /** When its first reading was. */
  fromS: number;
  onSay: (form: LiveSent) => Promise<boolean>;
  mayBook: boolean;
}) {
  const all = [...(spec.fanOnC.length > 1 ? TWO_STAGES : ONE_FAN), ...FELT];
  const mark = (words: string) => void onSay({ what: "mark", logId, id: newId(), words });
  useKeys(
    "The live log",
    mayBook ? all.map(([key, words]) => ({ key, what: words, act: () => mark(words) })) : [],
  );
  return (
    <div className="flex flex-col gap-3">
      <fieldset aria-label="What you hear and feel" className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {all.map(([key, words]) => (
          <Button
            key={words}
            aria-keyshortcuts={key}
            disabled={!mayBook}
            className="min-h-14 justify-between px-3 text-left"
            onClick={() => mark(words)}
          >
            <span className="flex-1 first-letter:uppercase">{words}</span>
            <kbd className="figure font-normal text-ink-2 max-sm:hidden">{key}</kbd>
          </Button>
        ))}
      </fieldset>
      {marks.length > 0 && (
        <ul aria-label="Said so far" className="flex flex-wrap gap-x-5 gap-y-1">
          {marks.slice(-6).map(({ id, s, what, by }) => (
            <li key={id} className="flex items-center gap-1">
              <span className="figure">{clockOfLog(s - fromS)}</span> {what}{" "}
              <span className="text-ink-2">{by}</span>
              <Button
                weight="quiet"
                className="px-2"
                aria-label={`Take it back: ${what}`}
                disabled={!mayBook}
                onClick={() => void onSay({ what: "unmark", logId, id })}
              >
                Take it back
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
