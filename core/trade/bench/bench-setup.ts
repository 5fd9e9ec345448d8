import { isPlain } from "../../kernel/plain/index.ts";
import { hypothesisOf } from "../diagnosis/knowledge/index.ts";
import { SCRIPTS, type ScriptName } from "../thermal/index.ts";
import { benchCar, thermalCarOf } from "./bench-cars.ts";
import { BenchRun, type Held, LONGEST_S } from "./bench-run.ts";

/** Something that was changed while it ran. */
export interface BenchChange {
  s: number;
  faults?: readonly string[];
  held?: Held;
}

/** All that a run on the bench comes from: the same again gives the same run. */
export interface BenchSetup {
  carKey: string;
  script: ScriptName;
  seed: number;
  /** In the order in which they were made. */
  changes: readonly BenchChange[];
  /** How long it has run, s. */
  ranS: number;
}

export const FRESH_SETUP: BenchSetup = {
  carKey: "courier",
  script: "raised revs",
  seed: 1,
  changes: [],
  ranS: 0,
};

const faultWords = (faults: readonly string[]) =>
  faults.length === 0
    ? "all faults taken out"
    : `in it: ${faults.map((id) => hypothesisOf(id)?.name ?? id).join(" and ")}`;

const HELD_WORDS: { [Name in keyof Held]-?: (value: NonNullable<Held[Name]>) => string } = {
  rpm: (value) => (value === 0 ? "engine off" : `${value} rpm`),
  ambientC: (value) => `air ${value} °C`,
  kmh: (value) => `${value} km/h`,
  heater: (value) => (value > 0 ? "heater on" : "heater off"),
  isCooling: (value) => (value ? "air conditioning on" : "air conditioning off"),
};

function heldWords(held: Held): string {
  const words = Object.entries(held).flatMap(([name, value]) =>
    value === undefined ? [] : [(HELD_WORDS[name as keyof Held] as (value: unknown) => string)(value)],
  );
  return words.length > 0 ? words.join(", ") : "as the script says";
}

/** Does a change on a run, with its words as a mark of the log. */
export function applyChange(run: BenchRun, { faults, held }: BenchChange): void {
  if (faults) run.put(faults, faultWords(faults));
  if (held) run.hold(held, heldWords(held));
}

/** The run as it was left: played again from its beginning. Throws a RangeError for what no bench has. */
export function benchOf({ carKey, script, seed, changes, ranS }: BenchSetup): BenchRun {
  if (!Object.hasOwn(SCRIPTS, script)) throw new RangeError(`“${script}” is no script of the bench.`);
  const run = new BenchRun({ car: thermalCarOf(benchCar(carKey)), script: SCRIPTS[script], seed });
  for (const change of changes) {
    run.advance(Math.max(0, change.s - Math.round(run.atS)));
    applyChange(run, change);
  }
  run.advance(Math.max(0, Math.min(ranS, LONGEST_S) - Math.round(run.atS)));
  return run;
}

/** A setup that was kept somewhere, if it still is one that can be run. */
export function readSetup(given: unknown): BenchSetup | undefined {
  if (!isPlain(given)) return undefined;
  const { changes, ranS } = given;
  if (!Array.isArray(changes) || !(typeof ranS === "number" && ranS >= 0)) return undefined;
  const setup = given as unknown as BenchSetup;
  try {
    benchOf({ ...setup, ranS: 0 });
    return setup;
  } catch {
    return undefined;
  }
}
