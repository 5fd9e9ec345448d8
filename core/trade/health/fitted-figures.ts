import type { ThermalCar } from "../thermal/index.ts";

/** What is fitted to a log, in its own unit; what isn't told by a log stays as the car has it. */
export interface Fitted {
  /** Where the thermostat begins to open, °C, as the coolant really is. */
  opensC: number;
  /** Of the car's own: the heat that its radiator passes a degree, by the share of its face that works. */
  passes: number;
  /** Of the car's own: the air that its fan draws. */
  air: number;
  /** Where the first stage starts and stops, °C, as its own sensor feels it. */
  onC: number;
  offC: number;
  /** What the sensor shows beyond what is so, °C. */
  biasC: number;
  /** Of the car's own: heat that its engine makes; and the air and the start, °C, beside what was read of them. */
  heat: number;
  ambientC: number;
  startC: number;
  /** Of the car's own, sought only where its own aren't known: its metal, and how well that gives heat to the coolant. */
  metal: number;
  coupling: number;
  /** Over how many of its own degrees the wax opens, and how slowly it follows; the draught through a standing car. */
  opensOver: number;
  waxLag: number;
  draught: number;
}

export type FittedName = keyof Fitted;

/** Nothing sought of a car but what became of it. */
export const AS_ITS_OWN = { metal: 1, coupling: 1, opensOver: 1, waxLag: 1, draught: 1 };

const LEAST_SWING_C = 0.5;

/** A car as these figures would have it. Its second stage starts and stops as far above the first's start as it did. */
export function carAs(car: ThermalCar, figures: Fitted): ThermalCar {
  const { opensC, passes, air, onC, offC, biasC, heat, metal, coupling, opensOver, waxLag, draught } =
    figures;
  const first = car.fans[0] ?? { onC, offC };
  return {
    ...car,
    opensC,
    // A face of which a part is shut loses its air and its tubes alike: what still works, works as it did.
    airShare: car.airShare * passes,
    coreAirKWPerK: car.coreAirKWPerK * passes ** 0.4,
    coreCoolantKWPerK: car.coreCoolantKWPerK * passes,
    idleKW: car.idleKW * heat,
    kWPerRpm: car.kWPerRpm * heat,
    metalKJPerK: car.metalKJPerK * metal,
    couplingKWPerK: car.couplingKWPerK * coupling,
    opensOverC: car.opensOverC * opensOver,
    waxLagS: car.waxLagS * waxLag,
    draughtKgS: car.draughtKgS * draught,
    sensorBiasC: biasC,
    fans: car.fans.map((fan, stage) => ({
      airKgS: fan.airKgS * air,
      onC: fan.onC + onC - first.onC,
      // A fan stops below where it starts, whatever is tried on the way.
      offC: stage === 0 ? Math.min(offC, onC - LEAST_SWING_C) : fan.offC + onC - first.onC,
    })),
  };
}
