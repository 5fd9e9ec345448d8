import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { Piscina } from "piscina";
import type { TraceSpec } from "../../core/trace/index.ts";
import type { Given } from "../given-bytes.ts";
import { lane } from "../lane.ts";
import { Refusal } from "../refusal.ts";
import type { Judged } from "./judge-log.thread.ts";

const LONGEST_MS = 20_000;
const MOST_WAITING = 8;
/** A log's own time begins when its turn has come, and not in the queue. */
const turns = lane({ name: "logs", atOnce: 1, mostWaiting: MOST_WAITING });
const MOST_MEGABYTES = 1500;

/** From the source and from the bundle alike: both lie two folders below the project's own. */
const THREAD = join(dirname(fileURLToPath(import.meta.url)), "../../server/logs/judge-log.thread.ts");

let pool: Piscina<{ given: Given; spec: TraceSpec }, Judged> | undefined;

function threads() {
  pool ??= new Piscina({
    filename: THREAD,
    execArgv: ["--import", "tsx"],
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  });
  return pool;
}

/**
 * Reads and judges a log in a thread of its own, so that no log holds the server up, within `longestMs` from when its turn has
 * come. What takes longer, or more memory than a log can want, is refused and its thread ended; what comes behind too many
 * others is to come again.
 */
export function judgeLog(given: Given, spec: TraceSpec, longestMs = LONGEST_MS): Promise<Judged> {
  return turns(async () => {
    try {
      return await threads().run({ given, spec }, { signal: AbortSignal.timeout(longestMs) });
    } catch (error) {
      const { name, code } = error as { name?: string; code?: string };
      if (name === "AbortError" || code === "ERR_WORKER_OUT_OF_MEMORY")
        throw new Refusal({
          message: "This log takes too long to read. Export one warm-up, or fewer columns.",
        });
      throw error;
    }
  });
}
