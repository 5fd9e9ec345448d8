import type { ThermalCar } from "./thermal-car.ts";

type Change = (car: ThermalCar) => Partial<ThermalCar>;

const allStages = ({ fans }: ThermalCar) => fans.map((_, stage) => stage);
const noFan: Change = (car) => ({ deadFans: allStages(car) });
const allAlways: Change = (car) => ({ heldFans: allStages(car) });
const firstAlways: Change = ({ fans, heldFans }) => ({ heldFans: fans.length > 0 ? [...heldFans, 0] : [] });
const noLow: Change = ({ fans, deadFans }) => ({ deadFans: fans.length > 0 ? [...deadFans, 0] : [] });
const noHigh: Change = ({ fans, deadFans }) => ({
  deadFans: fans.length > 1 ? [...deadFans, fans.length - 1] : [],
});
const lessAir =
  (share: number): Change =>
  ({ fans }) => ({ fans: fans.map((fan) => ({ ...fan, airKgS: fan.airKgS * share })) });
const later =
  (byC: number): Change =>
  ({ fans }) => ({ fans: fans.map((fan) => ({ ...fan, onC: fan.onC + byC, offC: fan.offC + byC })) });
const pump =
  (share: number): Change =>
  ({ pumpLSPerRpm }) => ({ pumpLSPerRpm: pumpLSPerRpm * share });
const leak =
  (byLPerH: number): Change =>
  ({ leakLPerH }) => ({ leakLPerH: leakLPerH + byLPerH });
/** What shows in no temperature as long as the level is kept. */
const unseen: Change = () => ({});

/**
 * What each fault of `core/trade/diagnosis` does to a car: one plain case of each, as a car would come in with it.
 * Estimates of the trade.
 */
const FAULTS: Readonly<Record<string, Change>> = {
  "nothing-wrong": unseen,
  fuse: noFan,
  feed: noFan,
  ground: noFan,
  motor: noFan,
  "motor-stiff": lessAir(0.5),
  "fan-plug": noFan,
  "fan-backwards": lessAir(0.2),
  resistor: noLow,
  "switch-open": noFan,
  "switch-stuck": firstAlways,
  "switch-rating": later(9),
  "switch-drifted": later(6),
  "switch-low-dead": noLow,
  "switch-high-dead": noHigh,
  "switch-plug": noFan,
  "relay-coil": noFan,
  "socket-burnt": noFan,
  "coil-feed": noFan,
  "relay-contacts": noFan,
  "relay-welded": allAlways,
  // A computer that sees no sensor, or an absurd one, thinks the worst.
  "sensor-open": (car) => ({ sensorShowsC: -40, ...allAlways(car) }),
  "sensor-short": (car) => ({ sensorShowsC: 140, ...allAlways(car) }),
  "sensor-biased": () => ({ sensorBiasC: -9 }),
  "sensor-plug": (car) => ({ sensorShowsC: -40, ...allAlways(car) }),
  "control-wire": noFan,
  module: noFan,
  computer: noFan,
  "ac-trigger": firstAlways,
  "clutch-slips": lessAir(0.2),
  "clutch-locked": allAlways,
  "thermostat-shut": () => ({ mostLift: 0.01 }),
  "thermostat-open": ({ mostLift }) => ({ leastLift: 0.6 * mostLift }),
  "thermostat-lazy": ({ opensC, opensOverC }) => ({
    opensC: opensC + 7,
    opensOverC: opensOverC * 1.5,
    waxLagS: 60,
  }),
  "thermostat-wrong": ({ opensC }) => ({ opensC: opensC - 12 }),
  "low-coolant": ({ capacityL, litres }) => ({ litres: Math.min(litres, 0.7 * capacityL) }),
  "air-lock": ({ capacityL, litres, pumpLSPerRpm, heaterKWPerK }) => ({
    litres: Math.min(litres, 0.82 * capacityL),
    pumpLSPerRpm: 0.4 * pumpLSPerRpm,
    heaterKWPerK: 0.2 * heaterKWPerK,
    sensorLagS: 20,
  }),
  "core-blocked-inside": ({ coreAirKWPerK, coreCoolantKWPerK, mostLift }) => ({
    coreAirKWPerK: 0.45 * coreAirKWPerK,
    coreCoolantKWPerK: 0.35 * coreCoolantKWPerK,
    mostLift: 0.5 * mostLift,
  }),
  "core-blocked-outside": ({ airShare, coreAirKWPerK }) => ({
    airShare: 0.4 * airShare,
    coreAirKWPerK: 0.7 * coreAirKWPerK,
  }),
  "shroud-missing": lessAir(0.5),
  "pump-weak": pump(0.3),
  "belt-slack": ({ pumpLSPerRpm, pumpMostRpm }) => ({
    pumpLSPerRpm: 0.6 * pumpLSPerRpm,
    pumpMostRpm: Math.min(pumpMostRpm, 1500),
  }),
  "wrong-strength": () => ({ fraction: 0.15 }),
  "heater-flap": () => ({ heaterKWPerK: 0 }),
  "hose-collapsed": ({ pumpMostRpm }) => ({ pumpMostRpm: Math.min(pumpMostRpm, 900) }),
  "cap-weak": (car) => ({ capGaugeKPa: 10, ...leak(0.15)(car) }),
  "leak-radiator": leak(0.8),
  "leak-hose": leak(1.5),
  "leak-pump": leak(0.4),
  "leak-tank": leak(0.5),
  "leak-housing": leak(0.4),
  "leak-oil-cooler": leak(0.3),
  "leak-heater": leak(0.3),
  "head-gasket": (car) => ({ gasKW: 2.5, ...leak(0.8)(car) }),
  "gauge-high": unseen,
};

/** Every fault that a car can be given. */
export const FAULT_IDS: readonly string[] = Object.keys(FAULTS);

/** The car with these faults, one after another. Throws a RangeError for one that nobody knows. */
export function withFaults(car: ThermalCar, faults: readonly string[]): ThermalCar {
  let now = car;
  for (const id of faults) {
    const change = Object.hasOwn(FAULTS, id) ? FAULTS[id] : undefined;
    if (!change) throw new RangeError(`“${id}” is no fault of a cooling system.`);
    now = { ...now, ...change(now) };
  }
  return now;
}
