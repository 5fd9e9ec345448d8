/** What a person heard or felt while the log ran. */
export interface Mark {
  s: number;
  what: string;
}

/** A warm-up log. Every column has one figure a row; a missing side figure is NaN, seconds and coolant never are. */
export interface Trace {
  /** Seconds from the first row, rising. */
  s: Float64Array;
  coolantC: Float64Array;
  intakeC?: Float64Array;
  rpm?: Float64Array;
  radiatorOutC?: Float64Array;
  marks: Mark[];
}

export interface TraceProblem {
  /** Line of the file, from 1. */
  line?: number;
  column?: string;
  /** What is wrong there and what would be right. */
  message: string;
  /** True where the log can't be read for it. */
  stops: boolean;
}

export interface TraceReading {
  /** Absent where a problem stops the reading: nothing is half read. */
  trace?: Trace;
  problems: TraceProblem[];
  /** What was taken for granted, one sentence each. */
  assumed: string[];
}
