import { Progress } from "radix-ui";
import { Button } from "../../ui/Button.tsx";

/** How far a long piece of work has come, and how to leave it. */
export function Working({ words, share, onLeave }: { words: string; share: number; onLeave: () => void }) {
  const percent = Math.round(100 * share);
  return (
    <div className="flex flex-wrap items-center gap-4">
      <Progress.Root
        value={percent}
        aria-label={words}
        className="h-4 min-w-56 flex-1 overflow-hidden border border-ink bg-sheet"
      >
        <Progress.Indicator className="h-full bg-ink" style={{ width: `${percent}%` }} />
      </Progress.Root>
      <span className="figure">{percent} %</span>
      <Button weight="quiet" onClick={onLeave}>
        Leave it
      </Button>
    </div>
  );
}
