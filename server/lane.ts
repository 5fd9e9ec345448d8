import pLimit from "p-limit";
import { Refusal } from "./refusal.ts";

const AGAIN_S = 5;

/**
 * A lane for slow work of one kind, outside any transaction: so many at once, so many behind them, and whoever comes after
 * those is told to come again.
 */
export function lane({ atOnce, mostWaiting }: { atOnce: number; mostWaiting: number }) {
  const limit = pLimit(atOnce);
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
