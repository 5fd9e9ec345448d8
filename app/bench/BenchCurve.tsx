import { useEffect, useRef } from "react";
import { benchCar } from "../../core/trade/bench/index.ts";
import { traceSpecOf } from "../../core/trade/car/index.ts";
import { writeTrace } from "../../core/trade/trace/index.ts";
import { useMember } from "../desk/member.ts";
import { useJudge } from "../job/prove/useJudge.ts";
import { WarmUpChart } from "../job/prove/WarmUpChart.tsx";
import type { BenchHere } from "./useBench.ts";

/** A log is read anew so often at most, and never while it would be read half the time. */
const READ_EVERY_MS = 1000;
const REST = 4;
const LEAST_ROWS = 30;
/** What begins on the bench has stood a night, hours. */
const RESTED_H = 12;

/** The log as it grows, read as Prove would read it. */
export function BenchCurve({ here: { bench, setup, isRunning } }: { here: BenchHere }) {
  const { units } = useMember();
  const spec = traceSpecOf(benchCar(setup.carKey).card);
  const { judging, judge, forget } = useJudge(spec);
  const read = useRef({ bench, at: Number.NEGATIVE_INFINITY, took: 0, rows: 0, marks: 0 });
  useEffect(() => {
    const { current } = read;
    const rows = bench.points.length;
    if (current.bench !== bench) {
      forget();
      Object.assign(current, { bench, at: Number.NEGATIVE_INFINITY, rows: 0, marks: 0 });
    }
    const now = performance.now();
    const isNew = rows !== current.rows || bench.marks.length !== current.marks;
    const mayNow = !isRunning || now - current.at > Math.max(READ_EVERY_MS, REST * current.took);
    if (!isNew || !mayNow || rows < LEAST_ROWS) return;
    Object.assign(current, { at: now, rows, marks: bench.marks.length });
    void judge(writeTrace(bench.log()), RESTED_H).then(() => {
      current.took = performance.now() - now;
    });
  });
  const log = judging.state === "done" ? judging.log : undefined;
  if (!log?.points)
    return (
      <p className="text-ink-2">The curve comes with the first half minute, read as Prove reads a log.</p>
    );
  return <WarmUpChart log={log} spec={spec} system={units} />;
}
