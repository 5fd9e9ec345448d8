import { SENSOR_OPEN_C, SENSOR_SHORT_C } from "../limits/index.ts";
import { type ThermalCar, ThermalRun } from "../thermal/index.ts";
import type { Trace } from "../trace/index.ts";

/** What a log says its car was put through, and the sensor as it was read then: the mean of each few seconds. */
export interface Course {
  /** Middle of each row, s from the log's first. */
  s: Float64Array;
  coolantC: Float64Array;
  /** Turns a minute up to each row. */
  rpm: Float64Array;
  /** The first readings of coolant and of the air that goes in, °C; air unknown where the log has none. */
  firstC: number;
  intakeC?: number;
  /** Seconds that a row stands for. */
  rowS: number;
}

const IDLE_RPM = 800;
const FIRST_S = 30;
const FIRST_READ_S = 10;
/** A log of half an hour has so many rows; a longer one wider rows, up to a minute. */
const ROWS = 600;
const [LEAST_ROW_S, MOST_ROW_S] = [3, 60];

/** More of a log than that, and its sensor is dead. */
const MOST_DEAD = 0.3;

const meanOf = (values: ArrayLike<number>, from: number, to: number): number => {
  let [sum, count] = [0, 0];
  for (let at = from; at < to; at++) {
    const value = values[at] as number;
    if (Number.isFinite(value)) {
      sum += value;
      count++;
    }
  }
  return count > 0 ? sum / count : Number.NaN;
};

/** A log without what can't be a temperature, where it is no more than a stretch here and there; one that is nothing else stays as it is. */
function withoutDropouts(coolantC: Float64Array): Float64Array {
  const isDead = (value: number) => value <= SENSOR_OPEN_C || value >= SENSOR_SHORT_C;
  const dead = coolantC.reduce((count, value) => count + (isDead(value) ? 1 : 0), 0);
  if (dead === 0 || dead > MOST_DEAD * coolantC.length) return coolantC;
  return coolantC.map((value) => (isDead(value) ? Number.NaN : value));
}

/** A log as a course to run a car over, cut at so many seconds. Nothing where there is too little to see anything by. */
export function courseOf(trace: Trace, untilS = Number.POSITIVE_INFINITY): Course | undefined {
  const { s, rpm, intakeC } = trace;
  const coolantC = withoutDropouts(trace.coolantC);
  const count = s.findLastIndex((at) => at <= untilS) + 1;
  const [firstS, lastS] = [s[0], s[count - 1]];
  if (firstS === undefined || lastS === undefined || lastS - firstS < 60) return undefined;
  const rowS = Math.min(MOST_ROW_S, Math.max(LEAST_ROW_S, Math.round((lastS - firstS) / ROWS)));
  const rows: { s: number; coolantC: number; rpm: number }[] = [];
  let revs = IDLE_RPM;
  for (let from = 0, to = 0; from < count; from = to) {
    const cell = Math.floor(((s[from] as number) - firstS) / rowS);
    while (to < count && Math.floor(((s[to] as number) - firstS) / rowS) === cell) to++;
    if (rpm) {
      const seen = meanOf(rpm, from, to);
      if (Number.isFinite(seen)) revs = seen;
    }
    const shown = meanOf(coolantC, from, to);
    if (Number.isFinite(shown)) rows.push({ s: meanOf(s, from, to) - firstS, coolantC: shown, rpm: revs });
  }
  const [first] = rows;
  if (!first) return undefined;
  const read = meanOf(
    coolantC,
    0,
    Math.max(
      1,
      s.findIndex((at) => at - firstS > FIRST_READ_S),
    ),
  );
  const early = s.findIndex((at) => at - firstS > FIRST_S);
  const intake = intakeC ? meanOf(intakeC, 0, early) : Number.NaN;
  const of = (name: keyof (typeof rows)[number]) => Float64Array.from(rows, (row) => row[name]);
  return {
    s: of("s"),
    coolantC: of("coolantC"),
    rpm: of("rpm"),
    firstC: Number.isFinite(read) ? read : first.coolantC,
    rowS,
    ...(Number.isFinite(intake) && { intakeC: intake }),
  };
}

/** Moves no curve by more than 0.02 °C from what a tenth of it draws. */
const STEP_S = 1;
/** Revs that differ by less are the same: each change costs the model an exponential. */
const SAME_RPM = 20;

/** What a car's sensor would have shown at each row of a course, °C, unrounded, standing still in air of that temperature. */
export function redraw(
  car: ThermalCar,
  course: Course,
  { ambientC, startC }: { ambientC: number; startC: number },
): Float64Array {
  const run = new ThermalRun(car, { startC, dtS: STEP_S, isExact: true });
  const shown = new Float64Array(course.s.length);
  let held = Number.NaN;
  let row = 0;
  for (; row < shown.length; row++) {
    const rpm = course.rpm[row] as number;
    if (!(Math.abs(rpm - held) < SAME_RPM)) {
      held = rpm;
      run.put({ ambientC, rpm, kmh: 0, loadKW: 0, heater: 0, isCooling: false });
    }
    const untilS = course.s[row] as number;
    while (run.atS + STEP_S / 2 < untilS) run.advance();
    shown[row] = run.reading().coolantC;
  }
  return shown;
}
