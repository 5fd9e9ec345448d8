import { Progress } from "radix-ui";
import { Button } from "../../ui/Button.tsx";
import type { Fitting } from "./useFit.ts";

/** Begins a long piece of work, says how far it has come, and leaves it: one button all along, so that no focus is lost under it. */
export function Working({
  label,
  words,
  fitting,
  isOff = false,
  onBegin,
  onLeave,
}: {
  label: string;
  words: string;
  fitting: Fitting<unknown>;
  isOff?: boolean;
  onBegin: () => void;
  onLeave: () => void;
}) {
  const isWorking = fitting.state === "working";
  const percent = isWorking ? Math.round(100 * fitting.share) : 0;
  return (
    <div className="flex flex-wrap items-center gap-4">
      <Button disabled={isOff && !isWorking} onClick={isWorking ? onLeave : onBegin}>
        {isWorking ? "Leave it" : label}
      </Button>
      {isWorking && (
        <>
          <Progress.Root
            value={percent}
            aria-label={words}
            className="h-4 min-w-56 flex-1 overflow-hidden border border-ink bg-sheet"
          >
            <Progress.Indicator className="h-full bg-ink" style={{ width: `${percent}%` }} />
          </Progress.Root>
          <span className="figure">{percent} %</span>
        </>
      )}
    </div>
  );
}
