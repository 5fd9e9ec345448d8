import type { Mark, Trace } from "./trace.ts";

/** One reading of a log that is recorded as the engine runs: what the port told of it, and what it was lost by before. */
export interface LiveSample {
  /** Seconds of the car's own time since the log began. */
  s: number;
  coolantC?: number;
  intakeC?: number;
  rpm?: number;
  kmh?: number;
  throttlePercent?: number;
  volts?: number;
  ambientC?: number;
  /** Nothing was read up to here, and why. */
  gap?: string;
}

const SOONEST_S = 0.01;

/** Each mark at the row nearest behind it that has none yet: a row of a file has room for one. */
function markedRows(s: Float64Array, marks: readonly Mark[]): Mark[] {
  const taken = new Set<number>();
  return [...marks]
    .sort((a, b) => a.s - b.s)
    .flatMap(({ s: at, what }) => {
      let row = s.findIndex((each) => each >= at);
      if (row < 0) row = s.length - 1;
      while (taken.has(row) && row < s.length - 1) row++;
      taken.add(row);
      const moment = s[row];
      return moment === undefined ? [] : [{ s: moment, what }];
    });
}

/**
 * A log of what was recorded live: rows in the order of their time, those alone that tell the coolant; of two at one moment the first.
 * A gap is no row: its time is missing, and a mark says why. Seconds, °C, turns a minute.
 */
export function liveTrace(samples: readonly LiveSample[], marks: readonly Mark[] = []): Trace {
  const told = samples
    .filter(({ coolantC }) => coolantC !== undefined)
    .sort((a, b) => a.s - b.s)
    .filter(({ s }, at, all) => at === 0 || s - (all[at - 1]?.s ?? 0) >= SOONEST_S);
  const column = (of: "coolantC" | "intakeC" | "rpm") =>
    Float64Array.from(told, (sample) => sample[of] ?? Number.NaN);
  const s = Float64Array.from(told, (sample) => sample.s);
  const has = (of: "intakeC" | "rpm") => told.some((sample) => sample[of] !== undefined);
  const gaps = samples.flatMap(({ s: at, gap }) => (gap === undefined ? [] : [{ s: at, what: gap }]));
  return {
    s,
    coolantC: column("coolantC"),
    ...(has("intakeC") && { intakeC: column("intakeC") }),
    ...(has("rpm") && { rpm: column("rpm") }),
    marks: markedRows(s, [...marks, ...gaps]),
  };
}
