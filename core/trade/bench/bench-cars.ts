import type { CoolingCard } from "../car/index.ts";
import { carOf, type ThermalCar } from "../thermal/index.ts";

/** A made-up car to try things on: none of it is real. */
export interface BenchCar {
  key: string;
  name: string;
  card: CoolingCard;
  /** What sets its model apart from a usual car of its size, beyond its card. */
  own: Partial<ThermalCar>;
}

/** The sensor that the made-up cars with a computer share. */
const SENSOR = [
  { celsius: 0, ohms: 5900 },
  { celsius: 20, ohms: 2500 },
  { celsius: 80, ohms: 320 },
  { celsius: 100, ohms: 180 },
];

const card = (given: Partial<CoolingCard>): CoolingCard => ({
  capacityL: 9.3,
  coolantKind: "si-oat",
  coolantProduct: "Fellwater Blue",
  coolantApproval: "Norm K4",
  targetFraction: 0.5,
  capGaugeKpa: 110,
  thermostatOpensC: 87,
  circuit: "switch-1",
  fanOnC: [98],
  fanOffC: [92],
  fanSenses: "engine",
  fillPoint: "radiator cap",
  bleedPoints: "",
  oilCooler: "none",
  sensorCurve: [],
  ...given,
});

/** One car at least of every kind of circuit. */
export const BENCH_CARS: readonly BenchCar[] = [
  {
    key: "wayfarer",
    name: "Brindle Wayfarer",
    card: card({
      capacityL: 11.2,
      circuit: "switch-2",
      fanOnC: [92, 99],
      fanOffC: [87, 94],
      fanSenses: "engine",
      thermostatOpensC: 83,
      bleedPoints: "screw on the thermostat housing",
    }),
    // A minibus: a larger engine before a large core, much glass to heat.
    own: { kWPerRpm: 0.0042, heaterKWPerK: 0.16, ramKgSPerKmh: 0.013 },
  },
  {
    key: "scholar",
    name: "Nettlebed Scholar",
    card: card({
      circuit: "switch-relays",
      fanOnC: [97],
      fanOffC: [91],
      bleedPoints: "screw on the heater pipe",
    }),
    own: { kWPerRpm: 0.004, heaterKWPerK: 0.14, ramKgSPerKmh: 0.012 },
  },
  {
    key: "courier",
    name: "Brindle Courier",
    card: card({
      capacityL: 6.8,
      circuit: "ecu-relay",
      sensorCurve: SENSOR,
      fanOnC: [101],
      fanOffC: [95],
      capGaugeKpa: 140,
      fillPoint: "expansion tank",
      coolantKind: "oat",
      coolantProduct: "Fellwater Red",
      coolantApproval: "Norm K3",
      thermostatOpensC: 88,
    }),
    // Small, and always laden: not much core to spare.
    own: { coreAirKWPerK: 1.6, draughtKgS: 0.045 },
  },
  {
    key: "pannier",
    name: "Quillon Pannier",
    card: card({
      capacityL: 5.9,
      circuit: "ecu-module",
      sensorCurve: SENSOR,
      fanOnC: [99],
      fanOffC: [93],
      capGaugeKpa: 150,
      fillPoint: "expansion tank",
      coolantKind: "p-oat",
      coolantProduct: "",
      coolantApproval: "",
      thermostatOpensC: 89,
    }),
    own: { coreAirKWPerK: 1.5, draughtKgS: 0.042 },
  },
  {
    key: "finch",
    name: "Quillon Finch",
    card: card({
      capacityL: 5.2,
      fanOnC: [95],
      fanOffC: [90],
      thermostatOpensC: 86,
      coolantKind: "oat",
      coolantProduct: "Fellwater Red",
      coolantApproval: "Norm K3",
    }),
    // An old iron block, slow to warm.
    own: { metalKJPerK: 52 },
  },
  {
    key: "drover",
    name: "Nettlebed Drover",
    card: card({
      capacityL: 24,
      circuit: "viscous",
      fanOnC: [],
      fanOffC: [],
      coolantKind: "iat",
      coolantProduct: "Hearth Green",
      coolantApproval: "",
      thermostatOpensC: 82,
      oilCooler: "outside",
    }),
    // A lorry: its clutch moves far more air than a plug-in fan, and its block takes half an hour to warm.
    own: { kWPerRpm: 0.007, heaterKWPerK: 0.2, ramKgSPerKmh: 0.02 },
  },
  {
    key: "tender",
    name: "Harl Tender",
    card: card({
      capacityL: 8.4,
      circuit: "self-contained",
      fanOnC: [94],
      fanOffC: [88],
      coolantKind: "hoat",
      coolantProduct: "Alder Universal",
      coolantApproval: "Norm K1, Norm K3",
      oilCooler: "in the radiator",
      thermostatOpensC: 84,
    }),
    // Oil cools in the radiator: that is more heat to shed.
    own: { idleKW: 5.9, loadShare: 0.64 },
  },
  {
    key: "duo",
    name: "Oskerry Duo",
    card: card({
      capacityL: 6.1,
      circuit: "ecu-module",
      sensorCurve: SENSOR,
      fanOnC: [98],
      fanOffC: [93],
      capGaugeKpa: 110,
      fillPoint: "expansion tank",
      bleedPoints: "electric pump routine",
      thermostatOpensC: 85,
    }),
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
