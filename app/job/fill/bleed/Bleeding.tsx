import { useEffect, useRef, useState } from "react";
import { beganStep, endedBleeding, stoppedBleeding, wentOn } from "../../../../core/book/acts/index.ts";
import type { BleedRun } from "../../../../core/stages/fill/index.ts";
import { bledVehicle } from "../../../../core/state/index.ts";
import { type Method, methodsFor } from "../../../../core/trade/bleed/index.ts";
import { useMember } from "../../../desk/member.ts";
import { Button } from "../../../ui/Button.tsx";
import { LaterPart } from "../../../ui/LaterPart.tsx";
import { later } from "../../../ui/later.ts";
import { useJob } from "../../stage/context.ts";
import { Schools } from "./Schools.tsx";
import { Signs } from "./Signs.tsx";
import { StepNow } from "./StepNow.tsx";

const stairs = later(async () => (await import("./Stairs.tsx")).Stairs);

const JUST_BEGUN_MS = 4000;

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
    if (book(beganStep(method, 0))) setChoosing(false);
  };
  const next = () => {
    if (!run) return;
    book(wentOn(run.method, run.step, run.cycles.length));
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
            onStop={() => book(stoppedBleeding(run.method, run.step, "stopped by hand"))}
            onEnd={() =>
              book(endedBleeding(run.method, run.step, `cycle ${run.cycles.length + 1} topped up, the last`))
            }
            onOver={(celsius) =>
              celsius > run.method.limitC
                ? stoppedBleeding(
                    run.method,
                    run.step,
                    `${celsius} °C was read, over ${run.method.limitC} °C`,
                  )
                : undefined
            }
            onAgain={() => book(beganStep(run.method, run.method.againFrom))}
          />
          <div className="grid gap-6 xl:grid-cols-2">
            <LaterPart part={stairs} given={{ run, system }} />
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
