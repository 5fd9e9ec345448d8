import type { System } from "../../../core/kernel/units/index.ts";
import type { TraceSpec } from "../../../core/trade/trace/index.ts";
import { later } from "../../ui/later.ts";
import type { JudgedLog } from "../../workers/judge-log.ts";
import { Checks } from "./Checks.tsx";
import { Stood } from "./Stood.tsx";
import type { ChosenLog } from "./useChosenLog.ts";

const warmUpChart = later(() => import("./WarmUpChart.tsx"));

/** A log that was read: its curve, what it proves, and what there is to say of how it was read. */
export function JudgedLogPart({
  chosen,
  log,
  spec,
  system,
  isBooked,
  isWaiting,
  onStood,
}: {
  chosen: ChosenLog;
  log: JudgedLog;
  spec: TraceSpec;
  system: System;
  isBooked: boolean;
  isWaiting: boolean;
  onStood: (stood: string) => void;
}) {
  const WarmUpChart = warmUpChart.use()?.WarmUpChart;
  const remarks = [...log.assumed, ...log.problems.map(({ message }) => message)];
  return (
    <section aria-labelledby="log" className="flex flex-col gap-4">
      <h3 id="log" className="flex flex-wrap items-baseline gap-x-4 text-xl">
        <span className="break-all">{chosen.name}</span>
        <span className="font-normal text-base text-ink-2">
          {log.rows} rows · {isBooked ? "booked" : isWaiting ? "booked here, not sent yet" : "not booked yet"}
        </span>
      </h3>
      {!isBooked && <Stood value={chosen.stood} onChange={onStood} />}
      {WarmUpChart ? (
        <WarmUpChart log={log} spec={spec} system={system} />
      ) : (
        <div className="aspect-[760/350]" />
      )}
      {log.analysis && <Checks checks={log.analysis.checks} system={system} />}
      {remarks.length > 0 && (
        <details>
          <summary className="min-h-12 py-3 font-bold">
            {remarks.length} {remarks.length === 1 ? "remark" : "remarks"} on how it was read
          </summary>
          <ul className="list-disc pl-6">
            {remarks.map((remark) => (
              <li key={remark}>{remark}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
