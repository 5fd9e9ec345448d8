import { useRef, useState } from "react";
import type { TraceSpec } from "../../../core/trade/trace/index.ts";
import type { JudgedLog } from "../../workers/judge-log.ts";
import { openTraces } from "../../workers/traces.ts";
import { useThread } from "../../workers/useThread.ts";

export type Judging =
  | { state: "idle" }
  | { state: "reading" }
  | { state: "done"; log: JudgedLog }
  | { state: "broken"; message: string };

/** Judges logs, the latest one asked for; in a worker where one can be had, so that the page stays free meanwhile. */
export function useJudge(spec: TraceSpec | undefined) {
  const [judging, setJudging] = useState<Judging>({ state: "idle" });
  const ask = useThread(openTraces);
  const latest = useRef(0);
  const judge = async (text: string, restedH?: number) => {
    if (!spec) return;
    const asked = ++latest.current;
    // What is shown of the same log stays until it is judged anew, so that nothing jumps and no focus is lost.
    setJudging((shown) => (shown.state === "done" ? shown : { state: "reading" }));
    try {
      const by = { ...spec, ...(restedH === undefined ? {} : { restedH }) };
      const log = await ask((work) => work.judgeLog(text, by));
      if (asked === latest.current) setJudging({ state: "done", log });
    } catch (error) {
      if (asked === latest.current)
        setJudging({
          state: "broken",
          message: error instanceof Error ? error.message : "The log could not be read.",
        });
    }
  };
  const forget = () => {
    latest.current++;
    setJudging({ state: "idle" });
  };
  return { judging, judge, forget };
}
