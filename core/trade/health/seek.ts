import { levenbergMarquardt } from "ml-levenberg-marquardt";
import type { ThermalCar } from "../thermal/index.ts";
import { type Course, redraw } from "./course.ts";
import { type Known, type Sensed } from "./unknowns.ts";

/** What whole degrees and jitter leave of a row's mean, °C. */
const ROW_C = 0.3;
const [FIRST_DAMPING, LEAST_DAMPING, MOST_DAMPING] = [1, 1e-3, 1e5];
const DIFFERENCE = 0.1;
/** A step that betters the whole by less is the last: a fortieth of what a log tells anything by. */
const ENOUGH = 0.05;

/** A log's rows against what a car with these figures would have shown: what is made as small as it can be. */
export class Sought {
  private readonly rows: number;
  private readonly x: number[];
  private readonly y: number[];

  constructor(
    /** The car that has these figures, in degrees of its sensor. */
    private readonly carWith: (figures: Sensed) => ThermalCar,
    private readonly course: Course,
    private readonly known: Known,
    /** Told at each car that is run over the log: it may throw, to end it. */
    private readonly onRun: () => void,
  ) {
    this.rows = course.s.length;
    this.x = Array.from({ length: this.rows + known.unknowns.length }, (_, at) => at);
    this.y = [...Array.from(course.coolantC, (shown) => shown / ROW_C), ...known.unknowns.map(() => 0)];
  }

  figures(at: readonly number[]): Sensed {
    const { guess } = this.known;
    const sought = Object.fromEntries(
      this.known.unknowns.map(({ name, step }, each) => [name, guess[name] + (at[each] as number) * step]),
    ) as Partial<Sensed>;
    return { ...guess, ...sought };
  }

  /** What is shown of it and how far it lies from what was known, each in its own spread. */
  model(at: readonly number[]): Float64Array {
    this.onRun();
    const figures = this.figures(at);
    const shown = redraw(this.carWith(figures), this.course, figures);
    const whole = new Float64Array(this.x.length);
    for (let row = 0; row < this.rows; row++) whole[row] = (shown[row] as number) / ROW_C;
    whole.set(this.known.away(figures), this.rows);
    return whole;
  }

  residuals(at: readonly number[]): Float64Array {
    return this.model(at).map((value, row) => (this.y[row] as number) - value);
  }

  cost(at: readonly number[]): number {
    return this.residuals(at).reduce((sum, value) => sum + value * value, 0);
  }

  /** Root of the mean squared distance between log and curve, °C. */
  rmsC(at: readonly number[]): number {
    const squares = this.residuals(at)
      .subarray(0, this.rows)
      .reduce((sum, value) => sum + value * value, 0);
    return Math.sqrt(squares / this.rows) * ROW_C;
  }

  /**
   * Goes down from there as far as it goes, by Levenberg and Marquardt. Its library takes one step at a time here: left
   * alone it takes each step, the worse ones too, and doesn't stop; and weighs rows unlike their residuals, so that
   * they come weighed.
   */
  descend(from: readonly number[], steps: number): { at: number[]; cost: number } {
    const { guess } = this.known;
    const bound = (edge: "least" | "most") =>
      this.known.unknowns.map((each) => (each[edge] - guess[each.name]) / each.step);
    const [minValues, maxValues] = [bound("least"), bound("most")];
    let at = [...from];
    let cost = this.cost(at);
    let damping = FIRST_DAMPING;
    for (let step = 0; step < steps && damping <= MOST_DAMPING; step++) {
      const next = levenbergMarquardt(
        { x: this.x, y: this.y },
        (values: number[]) => {
          const whole = this.model(values);
          return (row: number) => whole[row] as number;
        },
        {
          damping,
          minValues,
          maxValues,
          initialValues: at,
          gradientDifference: this.known.unknowns.map(() => DIFFERENCE),
          maxIterations: 1,
        },
      );
      const gain = cost - next.parameterError;
      if (gain > 0) {
        at = [...next.parameterValues];
        cost = next.parameterError;
        damping = Math.max(LEAST_DAMPING, damping / 9);
        if (gain < ENOUGH) break;
      } else damping *= 11;
    }
    return { at, cost };
  }

  /** How each row changes with each figure. Where a fan switches on the way a row jumps: the gentler of both sides is the slope. */
  slopes(at: readonly number[]): Float64Array[] {
    const here = this.model(at);
    return this.known.unknowns.map((_, each) => {
      const [after, before] = [DIFFERENCE, -DIFFERENCE].map((by) =>
        this.model(at.map((value, index) => (index === each ? value + by : value))),
      ) as [Float64Array, Float64Array];
      return here.map((value, row) => {
        const [up, down] = [
          ((after[row] as number) - value) / DIFFERENCE,
          (value - (before[row] as number)) / DIFFERENCE,
        ];
        return Math.abs(up) < Math.abs(down) ? up : down;
      });
    });
  }
}
