import {
  analyseTrace,
  decodeLog,
  readTrace,
  type TraceAnalysis,
  type TraceSpec,
} from "../../core/trace/index.ts";
import { workAfterBookings } from "../after-bookings.ts";

workAfterBookings();

export type Judged = { rows: number; analysis: TraceAnalysis } | { stops: string };

/** The thread's whole work: bytes in, verdicts out. */
export default function judge({ bytes, spec }: { bytes: Uint8Array; spec: TraceSpec }): Judged {
  const { trace, problems } = readTrace(decodeLog(bytes));
  if (!trace) return { stops: problems.find((problem) => problem.stops)?.message ?? "This is no log." };
  try {
    return { rows: trace.s.length, analysis: analyseTrace(trace, spec) };
  } catch (error) {
    if (error instanceof RangeError) return { stops: `It can't be judged: ${error.message}.` };
    throw error;
  }
}
