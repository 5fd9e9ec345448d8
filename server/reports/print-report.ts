import { Refusal } from "../desk/refusal.ts";
import { heavyWork, TooHeavy } from "../threads/heavy-work.ts";
import { lane } from "../threads/lane.ts";
import type { PaperOrder } from "./report-pdf.process.ts";

const LONGEST_MS = 20_000;
const MOST_WAITING = 24;
const AGAIN_S = 60;
const turns = lane({ name: "papers", atOnce: 1, mostWaiting: MOST_WAITING });
const printer = heavyWork<PaperOrder, Uint8Array>({
  file: "server/reports/report-pdf.process.ts",
  longestMs: LONGEST_MS,
  mostMegabytes: 1000,
  stays: true,
});

/** Starts the printer before it is wanted: a page is on paper sooner by what that takes. */
export const warmPrinter = (): void => printer.start();

/** Prints a report in a process beside the server, so that no report holds it up. */
export function printReport(order: PaperOrder): Promise<Uint8Array> {
  return turns(async () => {
    try {
      return await printer.run(order);
    } catch (error) {
      if (!(error instanceof TooHeavy)) throw error;
      throw new Refusal({ status: 503, message: "The report takes too long to print.", againInS: AGAIN_S });
    }
  });
}
