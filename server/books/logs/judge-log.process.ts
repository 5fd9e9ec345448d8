import { gzipSync } from "node:zlib";
import {
  analyseTrace,
  decodeLog,
  readTrace,
  type TraceAnalysis,
  type TraceSpec,
} from "../../../core/trade/trace/index.ts";
import { bytesOf, type Given } from "../../desk/given-bytes.ts";
import { workAfterBookings } from "../../threads/after-bookings.ts";

workAfterBookings();

export type Judged =
  | {
      rows: number;
      analysis: TraceAnalysis;
      /** The log as it is kept, gzipped. */
      content: Uint8Array;
    }
  | { stops: string };

/** The process's whole work: bytes in, verdicts and what is kept of it out. */
export default async function judge({ given, spec }: { given: Given; spec: TraceSpec }): Promise<Judged> {
  const bytes = await bytesOf(given);
  const { trace, problems } = readTrace(decodeLog(bytes));
  if (!trace) return { stops: problems.find((problem) => problem.stops)?.message ?? "This is no log." };
  try {
    return { rows: trace.s.length, analysis: analyseTrace(trace, spec), content: gzipSync(bytes) };
  } catch (error) {
    if (error instanceof RangeError) return { stops: `It can't be judged: ${error.message}.` };
    throw error;
  }
}
