import { picked, seededRandom } from "../../kernel/chance/index.ts";
import { BENCH_CARS, benchCar } from "../bench/index.ts";
import { HAND_BACK, NOTHING_WRONG } from "../diagnosis/index.ts";
import {
  CIRCUITS,
  type Circuit,
  type CircuitKind,
  handbookPriors,
  hypothesisOf,
  REPAIRS,
  TROUBLES,
  type Trouble,
  troubleGiven,
} from "../diagnosis/knowledge/index.ts";

/** How hard a round is, from one plain fault to two with a gauge that lies. */
export const LEVELS = [
  { id: 1, name: "One plain fault", tells: "Every test reads as it should, and the dial is right." },
  { id: 2, name: "One fault, or none", tells: "Tests err as often as they do in a bay." },
  { id: 3, name: "Two faults", tells: "One hides behind the other; tests err." },
  { id: 4, name: "Two faults, a dial that lies", tells: "The dial is off, either way, and nobody says so." },
] as const;
export type Level = (typeof LEVELS)[number]["id"];

/** A car with something hidden in it. Everything that a round turns out comes from this and from what is done. */
export interface Hidden {
  level: Level;
  carKey: string;
  seed: number;
  /** None where nothing is wrong. */
  faults: readonly string[];
  /** What its owner says of each of them, or of none. */
  troubles: readonly Trouble[];
  /** How far the dial stands beside what the sensor tells, °C. */
  gaugeOffC: number;
}

export const MOST_SEED = 0xffff_ffff;

/** The circuit of a car of the bench. */
export function circuitOfCar(carKey: string): Circuit {
  const { circuit } = benchCar(carKey).card;
  if (!circuit) throw new RangeError(`The bench's car “${carKey}” has no circuit.`);
  return CIRCUITS[circuit as CircuitKind];
}

/** The repairs that put a fault right. */
const repairsFor = (fault: string) =>
  REPAIRS.filter(({ id, fixes }) => id !== HAND_BACK && fixes.includes(fault)).map(({ id }) => id);

const GAUGE_OFF_C = { least: 8, most: 14 };

/**
 * What is hidden at a level, by seed: the same for the same three. Faults come as often as in the trade's handbook; two of them never
 * go by one repair, and what the owner says comes of the first that is left. Throws a RangeError for a level or a car that isn't there, and for a
 * seed that is no whole number from 0 to 2³² − 1.
 */
export function hide(level: number, carKey: string, seed: number): Hidden {
  const known = LEVELS.find(({ id }) => id === level);
  if (!known) throw new RangeError(`There is no level ${level}: 1 to ${LEVELS.length}.`);
  if (!(Number.isInteger(seed) && seed >= 0 && seed <= MOST_SEED))
    throw new RangeError(`A seed of ${seed}: a whole number from 0 on.`);
  const circuit = circuitOfCar(carKey);
  const random = seededRandom(seed);
  const priors = handbookPriors(circuit);
  const wrong = priors.filter(({ id }) => id !== NOTHING_WRONG);
  const first = picked(random, known.id === 2 ? priors : wrong, ({ weight }) => weight).id;
  const taken = repairsFor(first);
  const apart = wrong.filter(({ id }) => !repairsFor(id).some((repair) => taken.includes(repair)));
  const second = known.id >= 3 ? [picked(random, apart, ({ weight }) => weight).id] : [];
  const said = [first, ...second].map((fault) => {
    const pattern = hypothesisOf(fault)?.shows ?? "sound";
    return picked(random, Object.keys(TROUBLES) as Trouble[], (each) => troubleGiven(each, pattern));
  });
  const off = GAUGE_OFF_C.least + random() * (GAUGE_OFF_C.most - GAUGE_OFF_C.least);
  const side = random() < 0.5 ? -1 : 1;
  return {
    level: known.id,
    carKey,
    seed,
    faults: [first, ...second].filter((id) => id !== NOTHING_WRONG),
    troubles: said,
    gaugeOffC: known.id === 4 ? side * Math.round(off) : 0,
  };
}

/** A car of the bench for whoever has no wish, by seed. */
export const anyCarKey = (seed: number): string =>
  picked(seededRandom(seed ^ 0x9e37), BENCH_CARS, () => 1).key;
