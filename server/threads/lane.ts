import pLimit from "p-limit";
import { Gauge, register } from "prom-client";
import { Refusal } from "../desk/refusal.ts";

const AGAIN_S = 5;
const FIGURE = "warm_ledger_waiting";
const lengths = new Map<string, () => number>();

// A test's files share the library's table and not this module.
if (!register.getSingleMetric(FIGURE))
  new Gauge({
    name: FIGURE,
    help: "Who waits in each lane of slow work",
    labelNames: ["lane"],
    collect() {
      for (const [lane, length] of lengths) this.set({ lane }, length());
    },
  });

/**
 * A lane for slow work of one kind, outside any transaction: so many at once, so many behind them, and whoever comes after
 * those is told to come again.
 */
export function lane({ name, atOnce, mostWaiting }: { name: string; atOnce: number; mostWaiting: number }) {
  const limit = pLimit(atOnce);
  lengths.set(name, () => limit.pendingCount);
  return <Result>(work: () => Promise<Result>): Promise<Result> => {
    if (limit.pendingCount >= mostWaiting)
      return Promise.reject(
        new Refusal({
          status: 503,
          message: `Too many are at this just now. Try again in ${AGAIN_S} seconds.`,
          againInS: AGAIN_S,
        }),
      );
    return limit(work);
  };
}
