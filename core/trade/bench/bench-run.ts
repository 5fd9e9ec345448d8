import {
  type Conditions,
  checkScript,
  type Script,
  stillAt,
  type ThermalCar,
  ThermalRun,
  type ThermalState,
  withFaults,
} from "../thermal/index.ts";
import { BENCH_SAYS, type Mark, type Trace } from "../trace/index.ts";

/** What somebody holds as they like, over what the script says. */
export interface Held {
  rpm?: number;
  ambientC?: number;
  kmh?: number;
  heater?: number;
  isCooling?: boolean;
}

/** At most this is put in at a time. */
export const MOST_FAULTS = 2;
/** Longer than that nothing runs on the bench, s. */
export const LONGEST_S = 8 * 3600;

export interface BenchTerms {
  car: ThermalCar;
  script: Script;
  seed?: number;
}

/**
 * A car on the bench: its cooling system runs on under a script, while faults are put in and taken out, and revs, air and heater are held
 * as somebody likes. A row a second, as a port tells it. Behind its script it goes on as at its end. Throws a RangeError for a script
 * that no car goes through and for figures that can't be held.
 */
export class BenchRun {
  readonly marks: Mark[] = [];
  private readonly run: ThermalRun;
  private readonly rows: {
    s: number;
    coolantC: number;
    intakeC: number;
    rpm: number;
    radiatorOutC: number;
  }[] = [];
  private held: Held = {};
  private faults: readonly string[] = [];
  private now: Conditions;

  constructor(private readonly terms: BenchTerms) {
    const { car, script, seed = 1 } = terms;
    checkScript(script);
    const { ambientC, startC = ambientC, altitudeM } = script;
    this.run = new ThermalRun(car, { startC, seed, ...(altitudeM !== undefined && { altitudeM }) });
    this.now = this.conditions();
    this.run.put(this.now);
    this.write();
    this.mark("no real car");
  }

  get atS(): number {
    return this.run.atS;
  }

  get boilsC(): number {
    return this.run.boilsC;
  }

  get hasBoiled(): boolean {
    return this.run.events.some(({ kind }) => kind === "boils");
  }

  get isOver(): boolean {
    return this.rows.length > LONGEST_S;
  }

  get conditionsNow(): Conditions {
    return this.now;
  }

  state(): ThermalState {
    return this.run.state();
  }

  /** As a port tells it now. */
  get toldC(): number {
    return this.rows.at(-1)?.coolantC ?? Number.NaN;
  }

  get points(): readonly { s: number; coolantC: number; rpm: number }[] {
    return this.rows;
  }

  /** Puts in these faults, and takes out all others; it is full again where one is taken out. Throws a RangeError for unknown ones and too many. */
  put(faults: readonly string[], words = ""): void {
    if (faults.length > MOST_FAULTS)
      throw new RangeError(`${faults.length} faults at once: ${MOST_FAULTS} can be.`);
    const car = withFaults(this.terms.car, faults);
    this.run.become(car);
    if (this.faults.some((fault) => !faults.includes(fault))) this.run.fill(car.litres);
    this.faults = [...faults];
    this.mark(words);
  }

  /** Holds what is given, whatever the script says; leaves to the script what isn't. Throws a RangeError for what can't be held. */
  hold(held: Held, words = ""): void {
    const { ambientC, rpm = 0, ...rest } = held;
    const step = { minutes: 1, rpm, ...rest, ...(ambientC !== undefined && { ambientC }) };
    checkScript({ ambientC: this.terms.script.ambientC, steps: [step] });
    this.held = held;
    this.mark(words);
  }

  /** So many whole seconds on. */
  advance(seconds: number): void {
    for (let second = 0; second < seconds && !this.isOver; second++) {
      this.now = this.conditions();
      this.run.put(this.now);
      const until = Math.floor(this.run.atS + 1e-6) + 1;
      while (this.run.atS < until - 1e-6) this.run.advance();
      this.write();
    }
  }

  /** What was told so far, as a log. */
  log(): Trace {
    const column = (name: keyof (typeof this.rows)[number]) =>
      Float64Array.from(this.rows, (row) => row[name]);
    return {
      s: column("s"),
      coolantC: column("coolantC"),
      intakeC: column("intakeC"),
      rpm: column("rpm"),
      radiatorOutC: column("radiatorOutC"),
      marks: [...this.marks],
    };
  }

  /** A log of the bench says of itself that it is one, wherever it is taken. */
  private mark(what: string): void {
    const s = this.rows.at(-1)?.s ?? 0;
    if (what === "") return;
    const same = this.marks.find((mark) => mark.s === s);
    if (same) same.what = `${same.what}; ${what}`;
    else this.marks.push({ s, what: `${BENCH_SAYS}${what}` });
  }

  private conditions(): Conditions {
    const { script } = this.terms;
    let until = 0;
    const step =
      script.steps.find(({ minutes }) => {
        until += minutes * 60;
        return this.run.atS < until - 1e-6;
      }) ?? script.steps.at(-1);
    return { ...stillAt(script.ambientC, step), ...this.held };
  }

  private write(): void {
    this.rows.push({ s: Math.round(this.run.atS), ...this.run.reading() });
  }
}
