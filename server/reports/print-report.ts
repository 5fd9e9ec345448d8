import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { Piscina } from "piscina";
import { Refusal } from "../refusal.ts";
import type { PaperOrder } from "./report-pdf.thread.ts";

const LONGEST_MS = 20_000;
const MOST_WAITING = 8;
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
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  });
  return pool;
}

/** Starts the thread before it is wanted: a page is on paper sooner by what that takes. */
export const warmPrinter = (): void => void printer();

/** Prints a report in a thread of its own, so that no report holds the server up. */
export async function printReport(order: PaperOrder): Promise<Uint8Array> {
  try {
    return await printer().run(order, { signal: AbortSignal.timeout(LONGEST_MS) });
  } catch (error) {
    const { name, message } = error as { name?: string; message?: string };
    if (name === "AbortError" || message?.includes("queue"))
      throw new Refusal({
        status: 429,
        message: "Several reports are being printed. Ask again in a minute.",
      });
    throw error;
  }
}
