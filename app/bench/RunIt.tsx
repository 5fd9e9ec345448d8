import { useKeys } from "../keys/useKeys.ts";
import { Button } from "../ui/Button.tsx";
import { ChipsOne } from "../ui/Chips.tsx";
import { type BenchHere, PACES, type Pace } from "./useBench.ts";

/** What makes it go on, how fast, and again from cold. */
export function RunIt({ here, onFromCold }: { here: BenchHere; onFromCold: () => void }) {
  const { bench, isRunning, setRunning, pace, setPace } = here;
  const toggle = () => setRunning(!isRunning && !bench.isOver);
  useKeys("Bench", [{ key: "t", what: "run or hold the bench", act: toggle }]);
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Button weight="main" data-next onClick={toggle} disabled={bench.isOver} className="min-w-36">
        {isRunning ? "Hold it" : bench.atS > 0 ? "Run on" : "Run it"}
      </Button>
      <Button
        weight="quiet"
        onClick={() => {
          setRunning(false);
          onFromCold();
        }}
      >
        From cold
      </Button>
      <ChipsOne
        label="Pace"
        isNamedWhole
        options={PACES.map(String)}
        words={Object.fromEntries(PACES.map((each) => [String(each), `${each} ×`]))}
        value={String(pace)}
        onChange={(chip) => chip && setPace(Number(chip) as Pace)}
      />
    </div>
  );
}
