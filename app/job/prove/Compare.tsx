import { extent, line, scaleLinear } from "d3";
import { useEffect, useState } from "react";
import { factsOf, type WarmUpLog as Log, WarmUpLog } from "../../../core/book/facts/index.ts";
import { inShownUnits, SHOWN, type System, toShown } from "../../../core/kernel/units/index.ts";
import { decodeLog, type TraceSpec } from "../../../core/trade/trace/index.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/Field.tsx";
import type { ComparedLogs } from "../../workers/compare-logs.ts";
import { openTraces } from "../../workers/traces.ts";
import { useThread } from "../../workers/useThread.ts";
import { useJob } from "../stage/context.ts";

async function textOf(jobId: string, logId: string): Promise<string | undefined> {
  const response = await fetch(`/jobs/${jobId}/logs/${logId}/as-handed-in.csv`).catch(() => undefined);
  return response?.ok ? decodeLog(new Uint8Array(await response.arrayBuffer())) : undefined;
}

const WIDTH = 760;
const HEIGHT = 280;
const EDGE = { top: 24, right: 16, bottom: 40, left: 46 };

/** Before dashed, after whole, their knees over each other. */
function Curves({ compared, system }: { compared: ComparedLogs; system: System }) {
  const { before, after } = compared;
  const [from = 0, to = 60] = extent([...before, ...after], ({ s }) => s / 60);
  const [low = 0, high = 100] = extent([...before, ...after], ({ coolantC }) =>
    toShown(coolantC, "temperature", system),
  );
  const x = scaleLinear([from, to], [EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear([low, high], [HEIGHT - EDGE.bottom, EDGE.top]).nice();
  const path = line<ComparedLogs["before"][number]>(
    ({ s }) => x(s / 60),
    ({ coolantC }) => y(toShown(coolantC, "temperature", system)),
  );
  const bottom = HEIGHT - EDGE.bottom;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section tabIndex={0} aria-label="Before and after" className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full min-w-[36rem]"
        role="img"
        aria-label={`Before and after over each other. ${compared.comparison.because.join(" ")}`}
      >
        {y.ticks(5).map((tick) => (
          <g key={tick}>
            <path d={`M${EDGE.left} ${y(tick)}H${WIDTH - EDGE.right}`} stroke="var(--color-rule)" />
            <text x={EDGE.left - 8} y={y(tick) + 5} textAnchor="end" className="fill-ink text-[14px]">
              {tick}
            </text>
          </g>
        ))}
        {x.ticks(8).map((tick) => (
          <text key={tick} x={x(tick)} y={bottom + 18} textAnchor="middle" className="fill-ink text-[14px]">
            {tick}
          </text>
        ))}
        <text x={EDGE.left - 8} y={14} textAnchor="end" className="fill-ink-2 text-[14px]">
          {SHOWN.temperature[system].label}
        </text>
        <text
          x={(EDGE.left + WIDTH) / 2}
          y={HEIGHT - 4}
          textAnchor="middle"
          className="fill-ink-2 text-[14px]"
        >
          minutes of the log before; knees over each other
        </text>
        <path
          d={path(before) ?? ""}
          fill="none"
          stroke="var(--color-ink-2)"
          strokeWidth="2"
          strokeDasharray="6 5"
        />
        <path d={path(after) ?? ""} fill="none" stroke="var(--color-ink)" strokeWidth="2.5" />
      </svg>
    </section>
  );
}

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
      const [a, b] = await Promise.all([textOf(jobId, chosen.before), textOf(jobId, chosen.after)]);
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
          {compared && !trouble && <Curves compared={compared} system={system} />}
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
