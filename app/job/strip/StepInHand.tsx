import { useMemo } from "react";
import { letOut, stepDoneDrafts, tookOff } from "../../../core/book/acts/index.ts";
import { inShownTemperatures, readShown, SHOWN } from "../../../core/kernel/units/index.ts";
import { type WorkOrder, workOrderOf } from "../../../core/stages/plan/index.ts";
import { type CameOff, comesOffWith } from "../../../core/stages/strip/index.ts";
import { isShut } from "../../../core/trade/bleed/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { TextField } from "../../ui/Field.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { Cap } from "../cap/Cap.tsx";
import { useEngine } from "../cap/useEngine.ts";
import { useJob } from "../stage/context.ts";
import { tickIds } from "../stage/tick-id.ts";
import { CameWith, keyOf } from "./CameWith.tsx";
import { Resting } from "./Resting.tsx";

const DRAIN = "drain";

const DRAINED_MOST_L = 60;
const NONE: Record<string, number> = {};

/** The step in hand: the next of the order that nothing stands in the way of, and the clocks that run beside it. */
export function StepInHand({
  work: untimed,
  last,
}: {
  work: WorkOrder;
  /** What the last job on the model wrote out. */
  last: readonly CameOff[];
}) {
  const { page, entries, book, mayBook, system } = useJob();
  const { engine, now } = useEngine();
  const [drained, setDrained] = useDraft(`step-drained:${page.job.id}`);
  const work = workOrderOf(entries, now) ?? untimed;
  const inHand = work.ready[0]?.id ?? "";
  const things = useMemo(() => comesOffWith(inHand, last, entries), [inHand, last, entries]);
  const [counts, setCounts] = useDraft<Record<string, number>>(`came-with:${page.job.id}:${inHand}`, NONE);
  const [step] = work.ready;
  const count = work.steps.filter(({ id }) => work.done.has(id)).length;
  if (!step && work.resting.some(({ holds }) => holds.length > 0))
    return (
      <div className="flex flex-col gap-2 border-ink border-l-4 pl-3">
        <p className="font-bold">Nothing may be begun before its time is out.</p>
        <Resting work={work} now={now} />
      </div>
    );
  if (!step)
    return (
      <div className="border-ink border-l-4 pl-3">
        <p className="font-bold">All {work.steps.length} steps of the order are done.</p>
        {work.again.length > 0 && (
          <details>
            <summary className="min-h-12 py-3">Off again: {work.again.length} that are back</summary>
            <ul className="flex flex-wrap gap-2">
              {work.again.map((each) => (
                <li key={each.step.id}>
                  <Button disabled={!mayBook} onClick={() => book(stepDoneDrafts(each.step, entries))}>
                    {each.step.name}
                  </Button>
                </li>
              ))}
            </ul>
          </details>
        )}
      </div>
    );
  const isHeld = step.isCold === true && isShut(engine.cap);
  const litres = step.id === DRAIN && drained.trim() ? readShown(drained, "volume", system) : undefined;
  const isWrong =
    step.id === DRAIN &&
    drained.trim() !== "" &&
    !(litres !== undefined && litres > 0 && litres <= DRAINED_MOST_L);
  const came = things.flatMap((each) => {
    const count = counts[keyOf(each)] ?? each.count;
    return count > 0 ? [tookOff(each, count, each.where)] : [];
  });
  const isDone = (isWithThings: boolean) => {
    if (isWrong) return;
    const drafts = [
      ...stepDoneDrafts(step, entries),
      ...(litres === undefined ? [] : [letOut("drained", litres)]),
      ...(isWithThings ? came : []),
    ];
    setDrained("");
    setCounts(NONE);
    book(drafts, tickIds(page.job.id, entries, drafts));
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
        <h3 id="step" tabIndex={-1} className="text-2xl">
          {step.name}
        </h3>
        <p>{step.why}</p>
        {step.caution && <p className="mt-1 border-ink border-l-4 pl-2 font-bold">{step.caution}</p>}
      </div>
      {step.id === DRAIN && (
        <div className="w-44">
          <TextField
            label="How much came out"
            unit={SHOWN.volume[system].label}
            inputMode="decimal"
            className="figure"
            value={drained}
            maxLength={12}
            disabled={!mayBook || isHeld}
            error={isWrong ? "As measured, such as 5.2." : undefined}
            onChange={(event) => setDrained(event.target.value)}
          />
        </div>
      )}
      <div key={step.id} className="flex flex-wrap gap-2">
        {came.length > 0 && (
          <Button disabled={!mayBook || isHeld} onClick={() => isDone(true)}>
            Done, with {came.length === 1 ? "what is counted" : `these ${came.length}`}
          </Button>
        )}
        <Button
          weight={came.length > 0 ? "quiet" : "plain"}
          disabled={!mayBook || isHeld}
          aria-label={`Done: ${step.name}`}
          onClick={() => isDone(false)}
        >
          Done
        </Button>
      </div>
      <CameWith
        things={things}
        counts={counts}
        isOff={!mayBook || isHeld}
        onCount={(key, count) => setCounts({ ...counts, [key]: count })}
      />
      {step.isCold && !isHeld && (
        <p className="flex basis-full items-center gap-2">
          <VerdictShape verdict="pass" />
          <span>
            <span className="font-bold">It may be opened.</span>{" "}
            {inShownTemperatures(engine.cap.because, system)}
          </span>
        </p>
      )}
      {work.resting.length + work.passing.length > 0 && (
        <div className="basis-full">
          <Resting work={work} now={now} />
        </div>
      )}
      {isHeld && (
        <div className="basis-full">
          <Cap engine={engine} />
        </div>
      )}
    </section>
  );
}
