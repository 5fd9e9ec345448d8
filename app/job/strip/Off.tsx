import { Undo2 } from "lucide-react";
import { useMemo } from "react";
import { notOffDrafts, tookOff } from "../../../core/book/acts/index.ts";
import { stillOut, thing } from "../../../core/book/out/index.ts";
import { apartList } from "../../../core/stages/apart/index.ts";
import type { LearnedOut } from "../../../core/stages/earlier-jobs/index.ts";
import type { WorkOrder } from "../../../core/stages/plan/index.ts";
import { stepOf } from "../../../core/stages/strip/index.ts";
import { Button } from "../../ui/Button.tsx";
import { StepsAndThings } from "../apart/StepsAndThings.tsx";
import { Cautions } from "../stage/Cautions.tsx";
import { useJob } from "../stage/context.ts";
import { FoldOfJob, useFolds } from "../stage/Fold.tsx";
import { moveTick } from "../stage/tick-id.ts";
import { type Pad, padsFrom } from "./pads.ts";
import { WriteOut } from "./WriteOut.tsx";

const CAUTIONS = [
  "Engine cold. Stands, not the jack. Battery off near airbag plugs, then wait. Refrigerant lines stay closed.",
];

/** What usually comes off, each a tap; what is out already is said, and taken back beside it. */
function Taps({ pads, isWide }: { pads: readonly Pad[]; isWide: boolean }) {
  const { page, entries, book, mayBook } = useJob();
  const lines = stillOut(entries);
  const isOut = (each: Pad) =>
    lines.some(
      (line) => line.account === each.account && line.item === each.item && line.place === (each.place ?? ""),
    );
  return (
    <div className={`grid grid-cols-2 gap-2 ${isWide ? "xl:grid-cols-3" : "xl:grid-cols-1"}`}>
      {pads.map((each) => (
        <div key={thing(each)} className="flex gap-1">
          <Button
            disabled={!mayBook || isOut(each)}
            onClick={() => {
              const draft = tookOff(each);
              book(draft, [moveTick(page.job.id, entries, draft)]);
            }}
            className="min-w-0 flex-1 justify-start px-3 text-left leading-tight"
          >
            <span>
              {thing(each)}
              {isOut(each) && <span className="font-normal"> is out</span>}
            </span>
          </Button>
          {mayBook && isOut(each) && (
            <Button
              weight="quiet"
              className="px-2"
              data-undoes
              aria-label={`Not off after all: ${thing(each)}`}
              onClick={() => book(notOffDrafts(each, entries))}
            >
              <Undo2 aria-hidden="true" />
            </Button>
          )}
        </div>
      ))}
    </div>
  );
}

/** What comes off: the steps of the order with what they take off, what usually does, and whatever else is written out. */
export function Off({ work, outs }: { work: WorkOrder | undefined; outs: readonly LearnedOut[] }) {
  const { entries } = useJob();
  const isFolded = useFolds() === "always";
  const pads = useMemo(() => padsFrom(outs), [outs]);
  const rows = useMemo(() => apartList(entries, work, outs), [entries, work, outs]);
  const inSteps = new Set(work?.steps.map(({ id }) => id));
  // What a step of the order takes off is tapped in its step.
  const alone = pads.taps.filter((pad) => !inSteps.has(stepOf({ place: "", ...pad, count: 1 }) ?? ""));
  const columns = isFolded ? "" : work ? "xl:grid-cols-[1fr_1.3fr]" : "xl:grid-cols-[1fr_1.4fr]";
  return (
    <div className={`grid gap-x-8 gap-y-6 ${columns}`}>
      <div className={`empty:hidden ${isFolded ? "" : "xl:col-span-2"}`}>
        <Cautions texts={CAUTIONS} />
      </div>
      <section aria-labelledby="usual" className="flex flex-col gap-3">
        <h3 id="usual" className="text-xl">
          {work ? "Steps and things" : "Tap what is off"}
        </h3>
        {work && <StepsAndThings rows={rows} inHand={work.ready[0]?.id} />}
        {work && alone.length > 0 && isFolded ? (
          <FoldOfJob
            name="Beside the order"
            says={alone.map((each) => thing(each)).join(", ")}
            folds="always"
          >
            <Taps pads={alone} isWide />
          </FoldOfJob>
        ) : (
          <Taps pads={work ? alone : pads.taps} isWide={isFolded} />
        )}
      </section>
      <WriteOut pads={pads} />
    </div>
  );
}
