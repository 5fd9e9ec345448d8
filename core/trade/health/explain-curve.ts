import { levenbergMarquardt } from "ml-levenberg-marquardt";
import type { ThermalCar } from "../thermal/index.ts";
import { analyseTrace, type Trace } from "../trace/index.ts";
import { ACCOUNTS, type Account } from "./accounts.ts";
import { cutsOf } from "./by-pieces.ts";
import { type Course, courseOf, redraw } from "./course.ts";

/** One account of a log, as well as it can be made to redraw it. */
export interface Explained {
  account: Omit<Account, "change">;
  /** How far gone, in the account's own unit; nothing where it is or isn't. */
  degree?: number;
  /** How likely it is beside the others, 0 to 1, if one of them is so. */
  share: number;
  apartC: number;
  redrawnC: Float64Array;
}

export interface Explanation {
  /** Seconds from the log's first, of every redrawn curve. */
  s: Float64Array;
  /** The likeliest first. */
  explained: Explained[];
}

export interface ExplainTerms {
  restedH?: number;
  /** How likely a hypothesis is before the log, any unit; as likely as the others where it isn't said, and none of this car's at 0. */
  weightOf?: (hypothesis: string) => number;
  onProgress?: (share: number) => void;
}

/** What a log and the right account of it lie apart by, °C: jitter, and what a car's figures are known to. */
const APART_C = 0.6;
/** A row that lies farther apart counts no more: a fan that turned a minute later is the same fan. */
const FAR = 6;
/** Rows that lie beside each other err together: so many are worth one. */
const TOGETHER = 12;
const MOST_S = 3000;
const STEPS = 5;
/** Accounts that come nearest at a glance: the others redraw nothing, whatever is made of them. */
const LOOKED_INTO = 9;
const COLD_WITHIN_C = 25;
/** What is known beforehand, each with its spread: heat as a share, air and start and switches in °C. */
const BESIDES = [
  { name: "heat", spread: 0.05 },
  { name: "air", spread: 0.5 },
  { name: "start", spread: 0.4 },
  { name: "opens", spread: 1 },
  { name: "on", spread: 0.7 },
  { name: "off", spread: 0.7 },
] as const;

interface Tried {
  cost: number;
  values: number[];
  redrawnC: Float64Array;
}

/** A distance in spreads, drawn in where it is far: as its square near by, as good as no more far off. */
const drawnIn = (distance: number) => FAR * Math.tanh(distance / FAR);

/** Everything that is tried of one account over one log. */
class Trial {
  private readonly x: number[];
  private readonly y: number[];

  constructor(
    private readonly car: ThermalCar,
    private readonly account: Account,
    readonly course: Course,
    private readonly ambientC: number,
    private readonly isCold: boolean,
  ) {
    const count = course.s.length + BESIDES.length;
    this.x = Array.from({ length: count }, (_, row) => row);
    this.y = this.x.map(() => 0);
  }

  /** The degree last, each in its own spread from what was known. */
  draw(values: readonly number[]): Float64Array {
    const [heat = 0, air = 0, start = 0, opens = 0, on = 0, off = 0] = BESIDES.map(
      ({ spread }, each) => (values[each] as number) * spread,
    );
    const ambientC = this.ambientC + air;
    const { car, account, course } = this;
    const near: ThermalCar = {
      ...car,
      idleKW: car.idleKW * (1 + heat),
      kWPerRpm: car.kWPerRpm * (1 + heat),
      opensC: car.opensC + opens,
      fans: car.fans.map((fan) => ({
        ...fan,
        onC: fan.onC + on,
        offC: Math.min(fan.offC + off, fan.onC + on - 0.5),
      })),
    };
    const changed = account.change(near, this.degreeOf(values) ?? 0);
    const startC = (this.isCold ? ambientC : course.firstC - (changed.sensorBiasC ?? 0)) + start;
    return redraw({ ...near, ...changed }, course, { ambientC, startC });
  }

  degreeOf(values: readonly number[]): number | undefined {
    const { degrees } = this.account;
    if (!degrees) return undefined;
    const share = 0.5 + 0.5 * Math.tanh(values[BESIDES.length] as number);
    return degrees.from + share * (degrees.to - degrees.from);
  }

  valueOf(degree: number): number {
    const { from, to } = this.account.degrees as NonNullable<Account["degrees"]>;
    return Math.atanh(Math.min(0.98, Math.max(-0.98, (2 * (degree - from)) / (to - from) - 1)));
  }

  private whole(values: readonly number[]): Float64Array {
    const redrawnC = this.draw(values);
    const rows = redrawnC.length;
    const whole = new Float64Array(this.x.length);
    const weight = 1 / Math.sqrt(TOGETHER);
    for (let row = 0; row < rows; row++)
      whole[row] =
        weight * drawnIn(((redrawnC[row] as number) - (this.course.coolantC[row] as number)) / APART_C);
    for (let each = 0; each < BESIDES.length; each++) whole[rows + each] = values[each] as number;
    return whole;
  }

  private costOf(values: readonly number[]): number {
    return this.whole(values).reduce((sum, value) => sum + value * value, 0);
  }

  /** As well as it can be made to redraw the log, from one place. */
  from(values: number[]): Tried {
    let at = values;
    let cost = this.costOf(at);
    let damping = 0.5;
    for (let step = 0; step < STEPS && damping < 1e4; step++) {
      const next = levenbergMarquardt(
        { x: this.x, y: this.y },
        (tried: number[]) => {
          const whole = this.whole(tried);
          return (row: number) => whole[row] as number;
        },
        {
          damping,
          initialValues: at,
          minValues: at.map((_, each) => (each < BESIDES.length ? -4 : -2.3)),
          maxValues: at.map((_, each) => (each < BESIDES.length ? 4 : 2.3)),
          gradientDifference: at.map(() => 0.15),
          maxIterations: 1,
        },
      );
      const gain = cost - next.parameterError;
      if (gain > 0) {
        at = [...next.parameterValues];
        cost = next.parameterError;
        damping /= 6;
        if (gain < 0.2) break;
      } else damping *= 12;
    }
    return { cost, values: at, redrawnC: this.draw(at) };
  }

  /** The best of the places that are tried first. */
  begin(): { values: number[]; cost: number } {
    const plain = BESIDES.map(() => 0);
    const { degrees } = this.account;
    const places = degrees ? degrees.tried.map((degree) => [...plain, this.valueOf(degree)]) : [plain];
    return places
      .map((values) => ({ values, cost: this.costOf(values) }))
      .reduce((best, each) => (each.cost < best.cost ? each : best));
  }
}

/**
 * How a log may have come about: each fault of `core/trade/diagnosis` that shows in a warm-up is put into this car, as far gone as
 * redraws the log best, and they are ranked by how well they do and by how likely they were. Faults that draw the same curve are one
 * account. Nothing where the log has less than two minutes. It knows a car that stands in a bay with its heater off.
 */
export function explainCurve(
  trace: Trace,
  car: ThermalCar,
  { restedH, weightOf = () => 1, onProgress = () => undefined }: ExplainTerms = {},
): Explanation | undefined {
  const firstS = trace.s[0] ?? 0;
  const endS = Math.min(firstS + MOST_S, trace.s.at(-1) ?? 0);
  const course = courseOf(trace, endS);
  if (!course || endS - firstS < 120) return undefined;
  const { intakeC, firstC } = course;
  const isCold =
    restedH === undefined
      ? intakeC !== undefined && Math.abs(firstC - intakeC) < COLD_WITHIN_C
      : restedH >= 6;
  const ambientC = intakeC ?? (isCold ? firstC : 18);
  const { events } = analyseTrace(trace, {
    thermostatOpensC: car.opensC,
    fanOnC: car.fans.map(({ onC }) => onC),
    fanOffC: car.fans.map(({ offC }) => offC),
    fanSenses: car.fanSenses,
  });
  const pieces = cutsOf(events, trace, endS).flatMap((cut) => courseOf(trace, cut) ?? []);
  const courses = [...pieces.slice(1, -1).filter((_, index) => index % 2 === 0), course];
  const glanced = ACCOUNTS.map((account) => ({
    ...account,
    hypotheses: account.hypotheses.filter((id) => weightOf(id) > 0),
  }))
    .filter(({ leastStages = 0, hypotheses }) => car.fans.length >= leastStages && hypotheses.length > 0)
    .map((account) => {
      const trials = courses.map((piece) => new Trial(car, account, piece, ambientC, isCold));
      return { account, trials, begin: (trials.at(-1) as Trial).begin() };
    })
    .sort((a, b) => a.begin.cost - b.begin.cost)
    .slice(0, LOOKED_INTO);
  const tried = glanced.map(({ account, trials, begin }, index) => {
    onProgress(index / glanced.length);
    // A later turn of the fan is found from where the ones before it are right.
    let best: Tried = { ...begin, redrawnC: course.coolantC };
    for (const trial of trials) best = trial.from(best.values);
    const trial = trials.at(-1) as Trial;
    const plain = trial.from(begin.values);
    if (plain.cost < best.cost) best = plain;
    const degree = trial.degreeOf(best.values);
    const weight = account.hypotheses.reduce((sum, id) => sum + weightOf(id), 0);
    let squares = 0;
    best.redrawnC.forEach((value, row) => {
      squares += (value - (course.coolantC[row] as number)) ** 2;
    });
    // What goes from a worker to its page holds no functions.
    const { change: _, ...told } = account;
    return {
      account: told,
      ...(degree !== undefined && { degree }),
      // A degree that was free is paid for, as the criterion of Schwarz has it.
      score:
        best.cost - 2 * Math.log(weight) + (degree === undefined ? 0 : Math.log(course.s.length / TOGETHER)),
      apartC: Math.sqrt(squares / course.s.length),
      redrawnC: best.redrawnC,
    };
  });
  onProgress(1);
  const least = Math.min(...tried.map(({ score }) => score));
  const odds = tried.map(({ score }) => Math.exp((least - score) / 2));
  const sum = odds.reduce((total, each) => total + each, 0);
  const explained = tried
    .map(({ score: _, ...each }, index): Explained => ({ ...each, share: (odds[index] as number) / sum }))
    .sort((a, b) => b.share - a.share || a.apartC - b.apartC);
  return { s: course.s, explained };
}
