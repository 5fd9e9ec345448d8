import {
  analyseTrace,
  decodeLog,
  readTrace,
  type TraceAnalysis,
  type TraceSpec,
} from "../../core/trace/index.ts";
import { workAfterBookings } from "../after-bookings.ts";
import { bytesOf, type Given } from "../given-bytes.ts";

workAfterBookings();

export type Judged = { rows: number; analysis: TraceAnalysis } | { stops: string };

/** The thread's whole work: bytes in, verdicts out. */
export default async function judge({ given, spec }: { given: Given; spec: TraceSpec }): Promise<Judged> {
  const { trace, problems } = readTrace(decodeLog(await bytesOf(given)));
  if (!trace) return { stops: problems.find((problem) => problem.stops)?.message ?? "This is no log." };
  try {
    return { rows: trace.s.length, analysis: analyseTrace(trace, spec) };
  } catch (error) {
    if (error instanceof RangeError) return { stops: `It can't be judged: ${error.message}.` };
    throw error;
  }
}
