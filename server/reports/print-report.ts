import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { Piscina } from "piscina";
import { lane } from "../lane.ts";
import { Refusal } from "../refusal.ts";
import type { PaperOrder } from "./report-pdf.thread.ts";

const LONGEST_MS = 20_000;
const MOST_WAITING = 24;
const AGAIN_S = 60;
const turns = lane({ name: "papers", atOnce: 1, mostWaiting: MOST_WAITING });
const MOST_MEGABYTES = 1000;

/** From the source and from the bundle alike: both lie two folders below the project's own. */
const THREAD = join(dirname(fileURLToPath(import.meta.url)), "../../server/reports/report-pdf.thread.ts");

let pool: Piscina<PaperOrder, Uint8Array> | undefined;

function printer() {
  pool ??= new Piscina({
    filename: THREAD,
    execArgv: ["--import", "tsx"],
    minThreads: 1,
    maxThreads: 1,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  });
  return pool;
}

/** Starts the thread before it is wanted: a page is on paper sooner by what that takes. */
export const warmPrinter = (): void => void printer();

/** Prints a report in a thread of its own, so that no report holds the server up. */
export function printReport(order: PaperOrder): Promise<Uint8Array> {
  return turns(async () => {
    try {
      return await printer().run(order, { signal: AbortSignal.timeout(LONGEST_MS) });
    } catch (error) {
      if ((error as { name?: string }).name === "AbortError")
        throw new Refusal({ status: 503, message: "The report takes too long to print.", againInS: AGAIN_S });
      throw error;
    }
  });
}
