import { type Remote, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { TraceSpec } from "../../../core/trade/trace/index.ts";
import type { JudgedLog } from "../../workers/judge-log.ts";
import type { TraceWorker } from "../../workers/trace.worker.ts";

export type Judging =
  | { state: "idle" }
  | { state: "reading" }
  | { state: "done"; log: JudgedLog }
  | { state: "broken"; message: string };

/** Judges logs in a worker, the latest one asked for; the page stays free meanwhile. */
export function useJudge(spec: TraceSpec | undefined) {
  const [judging, setJudging] = useState<Judging>({ state: "idle" });
  const worker = useRef<{ thread: Worker; remote: Remote<TraceWorker> }>(undefined);
  const latest = useRef(0);
  useEffect(() => () => worker.current?.thread.terminate(), []);
  const judge = async (text: string, restedH?: number) => {
    if (!spec) return;
    if (!worker.current) {
      const thread = new Worker(new URL("../../workers/trace.worker.ts", import.meta.url), {
        type: "module",
      });
      worker.current = { thread, remote: wrap<TraceWorker>(thread) };
    }
    const asked = ++latest.current;
    // What is shown of the same log stays until it is judged anew, so that nothing jumps and no focus is lost.
    setJudging((shown) => (shown.state === "done" ? shown : { state: "reading" }));
    try {
      const log = await worker.current.remote.judgeLog(text, {
        ...spec,
        ...(restedH === undefined ? {} : { restedH }),
      });
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
