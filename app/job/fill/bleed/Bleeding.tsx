import { useState } from "react";
import { type Method, methodsFor, SCHOOL_WORDS } from "../../../../core/bleed/index.ts";
import { BleedStep, dataOf } from "../../../../core/facts/index.ts";
import { bleedRun } from "../../../../core/job/index.ts";
import type { EntryDraft } from "../../../../core/ledger/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { useJob } from "../../context.ts";
import { Schools } from "./Schools.tsx";
import { Signs } from "./Signs.tsx";
import { Stairs } from "./Stairs.tsx";
import { StepNow } from "./StepNow.tsx";

const MOST_WORDS = 300;

function draft(method: Method, step: number, does: BleedStep["does"], words: string): EntryDraft {
  const minutes = does === "starts" ? method.steps[step]?.minutes : undefined;
  return {
    kind: "decision",
    item: `bleeding, ${SCHOOL_WORDS[method.school]}`,
    text: words.slice(0, MOST_WORDS),
    data: dataOf(BleedStep, {
      school: method.school,
      step,
      does,
      ...(minutes === undefined ? {} : { minutes }),
    }),
  };
}

const begins = (method: Method, step: number): EntryDraft => {
  const { minutes, order = "" } = method.steps[step] ?? {};
  const first = order.split(/(?<=\.) /)[0]?.replace(/\.$/, "") ?? "";
  return draft(
    method,
    step,
    "starts",
    `step ${step + 1}${minutes ? `, ${minutes} min` : ""}: ${first.toLowerCase()}`,
  );
};

/** Getting the air out: a school chosen for its reasons, then its steps one at a time, by the book's own clock. */
export function Bleeding() {
  const { entries, page, book, system } = useJob();
  const [isChoosing, setChoosing] = useState(false);
  const { card } = page;
  const vehicle = card
    ? {
        fillPoint: card.fillPoint,
        bleedPoints: card.bleedPoints,
        fanOnC: card.fanOnC,
        fraction: card.targetFraction,
      }
    : {};
  const run = bleedRun(entries, vehicle);
  const begin = (method: Method) => {
    if (book(begins(method, 0))) setChoosing(false);
  };
  const next = () => {
    if (!run) return;
    const { method, step, cycles } = run;
    const isLast = step === method.steps.length - 1;
    const ended = isLast ? `cycle ${cycles.length + 1} topped up` : `step ${step + 1} done`;
    book([draft(method, step, "ends", ended), begins(method, isLast ? method.againFrom : step + 1)]);
  };
  return (
    <section aria-labelledby="bleeding" className="flex flex-col gap-4">
      <h3 id="bleeding" className="text-xl">
        Get the air out
      </h3>
      {!run || isChoosing ? (
        <Schools methods={methodsFor(vehicle)} onBegin={begin} />
      ) : (
        <>
          <StepNow
            run={run}
            onNext={next}
            onStop={() => book(draft(run.method, run.step, "stops", "stopped by hand"))}
            onOver={(celsius) =>
              celsius > run.method.limitC
                ? draft(run.method, run.step, "stops", `${celsius} °C was read, over ${run.method.limitC} °C`)
                : undefined
            }
            onAgain={() => book(begins(run.method, run.method.againFrom))}
          />
          <div className="grid gap-6 xl:grid-cols-2">
            <Stairs run={run} system={system} />
            <Signs run={run} />
          </div>
          <Button weight="quiet" className="self-start" onClick={() => setChoosing(true)}>
            Another school
          </Button>
        </>
      )}
    </section>
  );
}
