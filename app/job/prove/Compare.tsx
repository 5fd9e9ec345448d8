import { useEffect, useState } from "react";
import { factsOf, type WarmUpLog as Log, WarmUpLog } from "../../../core/book/facts/index.ts";
import { inShownUnits, type System } from "../../../core/kernel/units/index.ts";
import { type TraceSpec } from "../../../core/trade/trace/index.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/Field.tsx";
import type { ComparedLogs } from "../../workers/compare-logs.ts";
import { openTraces } from "../../workers/traces.ts";
import { useThread } from "../../workers/useThread.ts";
import { useJob } from "../stage/context.ts";
import { ComparedCurves } from "./ComparedCurves.tsx";
import { logText } from "./log-text.ts";

/** The log before the work against the one after it. */
export function Compare({ spec }: { spec: TraceSpec }) {
  const { page, entries, system } = useJob();
  const logs = factsOf(entries, WarmUpLog).map(({ fact }) => fact);
  const [chosen, setChosen] = useState<{ before: string; after: string }>();
  const [compared, setCompared] = useState<ComparedLogs>();
  const [trouble, setTrouble] = useState("");
  const ask = useThread(openTraces);
  const jobId = page.job.id;
  const key = chosen && `${chosen.before} ${chosen.after}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once for each pair
  useEffect(() => {
    if (!chosen) return;
    let isAsked = true;
    const work = async () => {
      setTrouble("");
      const [a, b] = await Promise.all([logText(jobId, chosen.before), logText(jobId, chosen.after)]);
      if (a === undefined || b === undefined)
        return setTrouble("One of the logs could not be fetched. Try again when the server answers.");
      const both = await ask((work) => work.compareLogs(a, b, spec));
      if (!isAsked) return;
      if (both) setCompared(both);
      else setTrouble("One of the logs can't be read.");
    };
    void work().catch(() => setTrouble("The two could not be compared."));
    return () => {
      isAsked = false;
    };
  }, [key]);
  const [first, last] = [logs[0], logs.at(-1)];
  if (!first || !last || logs.length < 2) return null;
  const pick = (part: Partial<{ before: string; after: string }>) =>
    setChosen({ before: first.logId, after: last.logId, ...chosen, ...part });
  const names = (list: readonly Log[]) =>
    list.map(({ logId, log }) => (
      <option key={logId} value={logId}>
        {log}
      </option>
    ));
  return (
    <section aria-labelledby="compare" className="flex flex-col gap-3">
      <h3 id="compare" className="text-xl">
        Before against after
      </h3>
      {!chosen ? (
        <Button className="self-start" onClick={() => pick({})}>
          Lay them over each other
        </Button>
      ) : (
        <>
          <div className="flex flex-wrap gap-4">
            <Choice
              label="Before, dashed"
              value={chosen.before}
              onChange={(event) => pick({ before: event.target.value })}
            >
              {names(logs)}
            </Choice>
            <Choice
              label="After, whole"
              value={chosen.after}
              onChange={(event) => pick({ after: event.target.value })}
            >
              {names(logs)}
            </Choice>
          </div>
          <div role="status" className="flex flex-col gap-2">
            {trouble && <p className="border-ink border-l-4 pl-3 font-bold">{trouble}</p>}
            {compared && !trouble && (
              <p>{compared.comparison.because.map((words) => inShownDifference(words, system)).join(" ")}</p>
            )}
          </div>
          {compared && !trouble && <ComparedCurves compared={compared} system={system} />}
        </>
      )}
    </section>
  );
}

const DIFFERENCE = /([+−])(\d+(?:\.\d+)?) °C/g;

/** A difference of temperatures is shown without the scale's own nought: 5 °C more are 9 °F more. */
const inShownDifference = (words: string, system: System): string =>
  system === "metric"
    ? words
    : inShownUnits(
        words.replace(
          DIFFERENCE,
          (_, sign: string, figure: string) => `${sign}${(Number(figure) * 1.8).toFixed(1)} °F`,
        ),
        system,
      );
