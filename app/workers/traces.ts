import { later } from "../ui/later.ts";
import { openThread } from "./thread.ts";
import type { TraceWorker } from "./trace.worker.ts";

const here = later(() => import("./traces-here.ts"));

/** Reads, judges and compares logs. */
export const openTraces = () =>
  openThread<TraceWorker>(
    () => new Worker(new URL("./trace.worker.ts", import.meta.url), { type: "module" }),
    here.fetch,
  );
