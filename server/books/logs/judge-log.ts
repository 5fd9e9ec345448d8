import type { TraceSpec } from "../../../core/trade/trace/index.ts";
import type { Given } from "../../desk/given-bytes.ts";
import { Refusal } from "../../desk/refusal.ts";
import { heavyWork, TooHeavy } from "../../threads/heavy-work.ts";
import { lane } from "../../threads/lane.ts";
import type { Judged } from "./judge-log.process.ts";

const LONGEST_MS = 20_000;
const MOST_WAITING = 8;
/** A log's own time begins when its turn has come, and not in the queue. */
const turns = lane({ name: "logs", atOnce: 1, mostWaiting: MOST_WAITING });
const judge = heavyWork<{ given: Given; spec: TraceSpec }, Judged>({
  file: "server/books/logs/judge-log.process.ts",
  longestMs: LONGEST_MS,
  mostMegabytes: 1500,
});

/**
 * Reads and judges a log in a process beside the server, so that no log holds it up, within `longestMs` from when its turn has
 * come. What takes longer, or more memory than a log can want, is refused; what comes behind too many others is to come again.
 */
export function judgeLog(given: Given, spec: TraceSpec, longestMs = LONGEST_MS): Promise<Judged> {
  return turns(async () => {
    try {
      return await judge.run({ given, spec }, longestMs);
    } catch (error) {
      if (!(error instanceof TooHeavy)) throw error;
      throw new Refusal({
        message: "This log takes too long to read. Export one warm-up, or fewer columns.",
      });
    }
  });
}
