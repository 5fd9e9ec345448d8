import { useEffect, useRef, useState } from "react";
import type { EntryDraft } from "../../../../core/book/entry/index.ts";
import { BleedStep, dataOf } from "../../../../core/book/facts/index.ts";
import type { BleedRun } from "../../../../core/stages/fill/index.ts";
import { bledVehicle } from "../../../../core/state/index.ts";
import { type Method, methodsFor, SCHOOL_WORDS } from "../../../../core/trade/bleed/index.ts";
import { useMember } from "../../../desk/member.ts";
import { Button } from "../../../ui/Button.tsx";
import { useJob } from "../../stage/context.ts";
import { Schools } from "./Schools.tsx";
import { Signs } from "./Signs.tsx";
import { Stairs } from "./Stairs.tsx";
import { StepNow } from "./StepNow.tsx";

const MOST_WORDS = 300;
const JUST_BEGUN_MS = 4000;

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
export function Bleeding({ run }: { run: BleedRun | undefined }) {
  const { page, entries, book, system } = useJob();
  const [isChoosing, setChoosing] = useState(false);
  const vehicle = bledVehicle(entries, page.card, useMember().altitudeM);
  const heading = useRef<HTMLHeadingElement>(null);
  const startedAt = run && Date.parse(run.startedAt);
  // Once begun it stands first on the page: whoever began it is taken along.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only where it comes up
  useEffect(() => {
    if (startedAt !== undefined && Date.now() - startedAt < JUST_BEGUN_MS) heading.current?.focus();
  }, []);
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
      <h3 id="bleeding" ref={heading} tabIndex={-1} className="text-xl">
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
            onEnd={() =>
              book(draft(run.method, run.step, "ends", `cycle ${run.cycles.length + 1} topped up, the last`))
            }
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
