import type { Column, ColumnRole } from "./columns.ts";
import type { RawRows } from "./read-rows.ts";
import type { Mark, TraceProblem } from "./trace.ts";

export interface TimedColumns {
  s: Float64Array;
  coolant: Float64Array;
  side: Map<ColumnRole, Float64Array>;
}

/** Between these steps plain figures are taken for milliseconds: nobody logs an engine once a minute, all do once a second. */
const MILLISECOND_STEP = 50;
const SECONDS_PER = { s: 1, ms: 0.001, min: 60 } as const;
/** A pause this many times the usual step, and at least this long, is worth a word. */
const GAP_STEPS = 5;
const GAP_LEAST_S = 5;
/** Where more rows than this step back, the clock runs backwards and isn't merely out of order. */
const BACKWARDS_SHARE = 0.5;
/** No warm-up is logged for longer; a clock that says so is wrong, and the curve would have no end. */
const LONGEST_HOURS = 48;

/** The column itself where every row is kept; a plain loop, since logs run to a million rows. */
function pick(kept: Uint32Array, column: Float64Array): Float64Array {
  if (kept.length === column.length) return column;
  const picked = new Float64Array(kept.length);
  for (let i = 0; i < kept.length; i++) picked[i] = column[kept[i] ?? 0] ?? Number.NaN;
  return picked;
}

function marksOf(kept: Uint32Array, s: Float64Array, marks: Map<number, string>): Mark[] {
  const found: Mark[] = [];
  for (let i = 0; i < kept.length && marks.size > 0; i++) {
    const what = marks.get(kept[i] ?? 0);
    if (what) found.push({ s: s[i] ?? 0, what });
  }
  return found;
}

function medianStep(time: Float64Array): number {
  const steps: number[] = [];
  const stride = Math.max(1, Math.floor(time.length / 2000));
  for (let i = 1; i < time.length; i += stride) {
    const step = (time[i] ?? 0) - (time[i - 1] ?? 0);
    if (step > 0) steps.push(step);
  }
  return steps.sort((a, b) => a - b)[steps.length >> 1] ?? 0;
}

function unitOf(rows: RawRows, column: Column): { factor: number; assumed: string[] } {
  if (rows.isClock) return { factor: 1, assumed: [] };
  if (column.timeUnit && column.timeUnit !== "clock")
    return { factor: SECONDS_PER[column.timeUnit], assumed: [] };
  const unit = medianStep(rows.time) >= MILLISECOND_STEP ? "ms" : "s";
  const named = unit === "ms" ? "milliseconds" : "seconds";
  return {
    factor: SECONDS_PER[unit],
    assumed: [`“${column.name}” names no unit; its steps are those of ${named}.`],
  };
}

/** Seconds from the first row, rising: rows that repeat a time or go back in it are left out and reported. */
export function settleTime(rows: RawRows, column: Column) {
  const { factor, assumed } = unitOf(rows, column);
  const kept = new Uint32Array(rows.count);
  let count = 0;
  let back = 0;
  let firstBack = -1;
  let repeated = 0;
  let firstRepeat = -1;
  let last = Number.NEGATIVE_INFINITY;
  let stepsBack = 0;
  for (let i = 0; i < rows.count; i++) {
    const time = rows.time[i] ?? 0;
    if (i > 0 && time < (rows.time[i - 1] ?? 0)) stepsBack++;
    if (time > last) {
      kept[count++] = i;
      last = time;
    } else if (time === last) {
      repeated++;
      if (firstRepeat < 0) firstRepeat = i;
    } else {
      back++;
      if (firstBack < 0) firstBack = i;
    }
  }
  const keptRows = kept.subarray(0, count);
  const problems: TraceProblem[] = [];
  const start = rows.time[0] ?? 0;
  const s = new Float64Array(count);
  for (let i = 0; i < count; i++) s[i] = ((rows.time[keptRows[i] ?? 0] ?? 0) - start) * factor;
  const columns: TimedColumns = {
    s,
    coolant: pick(keptRows, rows.coolant),
    side: new Map([...rows.side].map(([role, figures]) => [role, pick(keptRows, figures)])),
  };
  const marks = marksOf(keptRows, s, rows.marks);
  const name = column.name;
  const stopAt = (row: number, says: (line: number) => string) => {
    const line = rows.lines[row] ?? 0;
    return { columns, marks, problems, assumed, stops: { line, column: name, message: says(line) } };
  };
  if (stepsBack > BACKWARDS_SHARE * (rows.count - 1))
    return stopAt(
      1,
      (line) =>
        `Line ${line}: “${name}” runs backwards from here on. The rows must stand in the order in which they were taken.`,
    );
  if (count < 2)
    return stopAt(
      1,
      (line) => `Line ${line}: “${name}” never moves on from its first value. It must rise from row to row.`,
    );
  const hours = (s[count - 1] ?? 0) / 3600;
  if (hours > LONGEST_HOURS)
    return stopAt(
      keptRows[count - 1] ?? 0,
      (line) =>
        `Line ${line}: “${name}” says that ${Math.round(hours)} hours were logged; at most ${LONGEST_HOURS} can be read. Export one warm-up, and look at its clock.`,
    );
  if (back > 0) {
    const line = rows.lines[firstBack];
    problems.push({
      line,
      column: name,
      stops: false,
      message: `Line ${line}: “${name}” goes back to before the row above; ${back} ${back === 1 ? "row is" : "rows are"} out of order and left out.`,
    });
  }
  if (repeated > 0) {
    const line = rows.lines[firstRepeat];
    problems.push({
      line,
      column: name,
      stops: false,
      message: `Line ${line}: “${name}” repeats the row above; ${repeated} such ${repeated === 1 ? "row is" : "rows are"} left out.`,
    });
  }
  const limit = Math.max(GAP_LEAST_S, GAP_STEPS * medianStep(s));
  for (let i = 1; i < s.length && problems.length < 20; i++) {
    const gap = (s[i] ?? 0) - (s[i - 1] ?? 0);
    if (gap > limit) {
      const line = rows.lines[keptRows[i] ?? 0];
      problems.push({
        line,
        column: name,
        stops: false,
        message: `Line ${line}: nothing was logged for ${Math.round(gap)} s before it.`,
      });
    }
  }
  return { columns, marks, problems, assumed, stops: undefined };
}
