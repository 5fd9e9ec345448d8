import { factOf, StepDone } from "../../../core/facts/index.ts";
import type { WorkOrder } from "../../../core/job/index.ts";
import { stepDoneDrafts } from "../../../core/ledger/index.ts";
import { Button } from "../../ui/Button.tsx";
import { useJob } from "../context.ts";
import { moveTick, sayTick } from "../tick-id.ts";

/** The step in hand: the next of the order that nothing stands in the way of. */
export function StepInHand({ work }: { work: WorkOrder }) {
  const { page, entries, book, mayBook } = useJob();
  const [step] = work.ready;
  const count = work.steps.filter(({ id }) => work.done.has(id)).length;
  if (!step)
    return (
      <p className="border-ink border-l-4 pl-3 font-bold">
        All {work.steps.length} steps of the order are done.
      </p>
    );
  const isDone = () => {
    const [said, ...moves] = stepDoneDrafts(step, entries);
    if (!said) return;
    book(
      [said, ...moves],
      [
        sayTick(page.job.id, entries, `step:${step.id}`, (entry) => {
          const fact = factOf(entry)?.fact;
          return fact instanceof StepDone && fact.step === step.id;
        }),
        ...moves.map((move) => moveTick(page.job.id, entries, move)),
      ],
    );
  };
  return (
    <section
      aria-labelledby="step"
      className="flex flex-wrap items-center gap-4 rounded-md border-2 border-ink bg-sheet p-4"
    >
      <div className="min-w-64 flex-1">
        <p className="text-ink-2">
          Step <span className="figure">{count + 1}</span> of{" "}
          <span className="figure">{work.steps.length}</span>
          {step.people === 2 && " · two people"}
          {step.tools.length > 0 && ` · ${step.tools.join(", ")}`}
        </p>
        <h3 id="step" className="text-2xl">
          {step.name}
        </h3>
        <p>{step.why}</p>
        {step.caution && <p className="mt-1 border-ink border-l-4 pl-2 font-bold">{step.caution}</p>}
      </div>
      <Button key={step.id} disabled={!mayBook} aria-label={`Done: ${step.name}`} onClick={isDone}>
        Done
      </Button>
    </section>
  );
}
