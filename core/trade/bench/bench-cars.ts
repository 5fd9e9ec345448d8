import { type CoolingCard, SAMPLE_CARDS } from "../car/index.ts";
import { carOf, type ThermalCar } from "../thermal/index.ts";

/** A made-up car to try things on: none of it is real. */
export interface BenchCar {
  key: string;
  name: string;
  card: CoolingCard;
  /** What sets its model apart from a usual car of its size, beyond its card. */
  own: Partial<ThermalCar>;
}

/** One car at least of every kind of circuit. */
export const BENCH_CARS: readonly BenchCar[] = [
  {
    key: "wayfarer",
    name: "Brindle Wayfarer",
    card: SAMPLE_CARDS.wayfarer,
    // A minibus: a larger engine before a large core, much glass to heat.
    own: { kWPerRpm: 0.0042, heaterKWPerK: 0.16, ramKgSPerKmh: 0.013 },
  },
  {
    key: "scholar",
    name: "Nettlebed Scholar",
    card: SAMPLE_CARDS.scholar,
    own: { kWPerRpm: 0.004, heaterKWPerK: 0.14, ramKgSPerKmh: 0.012 },
  },
  {
    key: "courier",
    name: "Brindle Courier",
    card: SAMPLE_CARDS.courier,
    // Small, and always laden: not much core to spare.
    own: { coreAirKWPerK: 1.6, draughtKgS: 0.045 },
  },
  {
    key: "pannier",
    name: "Quillon Pannier",
    card: SAMPLE_CARDS.pannier,
    own: { coreAirKWPerK: 1.5, draughtKgS: 0.042 },
  },
  {
    key: "finch",
    name: "Quillon Finch",
    card: SAMPLE_CARDS.finch,
    // An old iron block, slow to warm.
    own: { metalKJPerK: 52 },
  },
  {
    key: "drover",
    name: "Nettlebed Drover",
    card: SAMPLE_CARDS.drover,
    // A lorry: its clutch moves far more air than a plug-in fan, and its block takes half an hour to warm.
    own: { kWPerRpm: 0.007, heaterKWPerK: 0.2, ramKgSPerKmh: 0.02 },
  },
  {
    key: "tender",
    name: "Harl Tender",
    card: SAMPLE_CARDS.tender,
    // Oil cools in the radiator: that is more heat to shed.
    own: { idleKW: 5.9, loadShare: 0.64 },
  },
  {
    key: "duo",
    name: "Oskerry Duo",
    card: SAMPLE_CARDS.duo,
    // The engine rests half the time; its pump doesn't ask for revs.
    own: { kWPerRpm: 0.003, loadShare: 0.45 },
  },
];

/** The one of that key. Throws a RangeError where there is none. */
export function benchCar(key: string): BenchCar {
  const car = BENCH_CARS.find((each) => each.key === key);
  if (!car) throw new RangeError(`“${key}” is no car of the bench.`);
  return car;
}

/** As `core/trade/thermal` simulates it: by its card, and what sets its model apart. */
export const thermalCarOf = ({ card, own }: Pick<BenchCar, "card" | "own">): ThermalCar => carOf(card, own);
