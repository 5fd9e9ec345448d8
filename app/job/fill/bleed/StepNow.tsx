import type { EntryDraft } from "../../../../core/book/entry/index.ts";
import { inShownTemperatures } from "../../../../core/kernel/units/index.ts";
import { type BleedRun, isHeld } from "../../../../core/stages/fill/index.ts";
import { type BleedingStep, SCHOOL_WORDS } from "../../../../core/trade/bleed/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { Cap } from "../../cap/Cap.tsx";
import { ReadCoolant } from "../../cap/ReadCoolant.tsx";
import { useEngine } from "../../cap/useEngine.ts";
import { useJob } from "../../stage/context.ts";
import { Clock } from "./Clock.tsx";

interface Given {
  run: BleedRun;
  onNext: () => void;
  onStop: () => void;
  /** The last top-up was the last. */
  onEnd: () => void;
  onAgain: () => void;
  /** What a reading while the engine runs calls for; nothing where it is within the limit. */
  onOver: (celsius: number) => EntryDraft | undefined;
}

function Settings({ step }: { step: BleedingStep }) {
  const rows: [string, string][] = [
    ["Engine", step.engine],
    ["Cap", step.cap],
  ];
  return (
    <dl className="grid grid-cols-[5rem_1fr] gap-x-3 gap-y-1">
      {rows.map(([name, words]) => (
        <div key={name} className="contents">
          <dt className="text-ink-2">{name}</dt>
          <dd className="font-bold">{words}</dd>
        </div>
      ))}
      <dt className="text-ink-2">Watch</dt>
      <dd>{step.watch.join("; ")}</dd>
    </dl>
  );
}

/** The step in hand, large: what to do, how long, what to watch, and when to stop at once. */
export function StepNow({ run, onNext, onStop, onEnd, onAgain, onOver }: Given) {
  const { entries, mayBook, timeZone, system } = useJob();
  const { method, step: place, endsAt, stopped } = run;
  const { engine, vehicle, now } = useEngine();
  const step = method.steps[place];
  if (!step) return null;
  const isLast = place === method.steps.length - 1;
  const isStopped = stopped !== undefined;
  const isCooling = step.kind === "cool" || isStopped;
  const isShutNow = isHeld(step, { isStopped, startedAt: run.startedAt }, { engine, entries, now, vehicle });
  if (run.isEnded)
    return (
      <div className="flex flex-wrap items-center gap-4 border-ink border-t-2 pt-3">
        <p>
          {SCHOOL_WORDS[method.school]},{" "}
          {run.cycles.length === 1 ? "one cycle" : `${run.cycles.length} cycles`}, ended.
        </p>
        <Button disabled={!mayBook} onClick={onAgain}>
          One more round
        </Button>
      </div>
    );
  return (
    <div className="flex flex-col gap-4 border-ink border-t-2 pt-3">
      <p className="text-ink-2">
        {SCHOOL_WORDS[method.school]}, step {place + 1} of {method.steps.length}
        {run.cycles.length > 0 ? `, cycle ${run.cycles.length + 1}` : ""}
      </p>
      {stopped !== undefined ? (
        <p role="alert" className="border-ink border-l-[6px] bg-wash py-2 pl-4 font-bold text-xl">
          Stopped: {inShownTemperatures(stopped, system)}. Engine off, cap on, and let it cool.
        </p>
      ) : (
        <>
          <p className="text-2xl leading-snug" data-bleed-order>
            {step.order}
          </p>
          <Settings step={step} />
          {endsAt && <Clock endsAt={endsAt} timeZone={timeZone} />}
        </>
      )}
      {(isCooling || isShutNow) && <Cap engine={engine} />}
      {!isCooling && step.kind === "run" && !isShutNow && <ReadCoolant onOver={onOver} />}
      {step.kind === "run" && stopped === undefined && (
        <p>
          <span className="font-bold">Stop at once: </span>
          {inShownTemperatures(method.stopAtOnce.join("; "), system)}.
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        {isLast && stopped === undefined && (
          <Button disabled={!mayBook} onClick={onEnd}>
            Topped up, and that was the last
          </Button>
        )}
        {stopped === undefined ? (
          <Button disabled={!mayBook || isShutNow} onClick={onNext}>
            {isLast ? "Topped up: once more round" : "Done: the next step"}
          </Button>
        ) : (
          <Button disabled={!mayBook || isShutNow} onClick={onAgain}>
            Cold again: go on from the warm-up
          </Button>
        )}
        {step.kind === "run" && stopped === undefined && (
          <Button disabled={!mayBook} onClick={onStop}>
            Stop it now
          </Button>
        )}
      </div>
      {isShutNow && <p className="text-ink-2">Shut until a reading says that the cap may be opened.</p>}
    </div>
  );
}
