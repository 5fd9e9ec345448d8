import type { CoolingCard } from "../car/index.ts";
import type { Base } from "../coolant/index.ts";
import { type FanStage, stagesOf } from "./fan-stages.ts";

/** What a cooling system is made of, as far as heat is asked. Estimates of a mid-size car where nothing else is said. */
export interface ThermalCar {
  base: Base;
  /** Share of glycol by volume. */
  fraction: number;
  capGaugeKPa: number;
  /** Of the whole system, litres; what is in it now may be less. */
  capacityL: number;
  litres: number;
  /** Metal that follows the coolant, kJ/K, and how well it gives heat to it, kW/K at full flow. */
  metalKJPerK: number;
  couplingKWPerK: number;
  /** Heat into the metal at idle, what each turn a minute more brings, and which share of the shaft's power. */
  idleKW: number;
  kWPerRpm: number;
  loadShare: number;
  /** Off the engine's surface into still air, kW/K. */
  surfaceKWPerK: number;
  /** Where the wax begins to open, over how many degrees, how far below it shuts again, and how slowly it follows. */
  opensC: number;
  opensOverC: number;
  hysteresisC: number;
  waxLagS: number;
  /** What it lets through at least and at most, as a share of the pump's flow. */
  leastLift: number;
  mostLift: number;
  /** Coolant moved for each turn a minute, L/s; and that it is cut off at so many turns. */
  pumpLSPerRpm: number;
  pumpMostRpm: number;
  /** How the core passes heat: to the air at 1 kg/s and to the coolant at 1 L/s, kW/K. */
  coreAirKWPerK: number;
  coreCoolantKWPerK: number;
  /** Air that passes it standing still, and for each km/h, kg/s; and which share of any air it lets through. */
  draughtKgS: number;
  ramKgSPerKmh: number;
  airShare: number;
  heaterKWPerK: number;
  fans: readonly FanStage[];
  /** Stages that never run, and those that always do, from 0. */
  deadFans: readonly number[];
  heldFans: readonly number[];
  fanSenses: "engine" | "radiator";
  sensorLagS: number;
  /** What the sensor shows beyond what it feels, °C; or what it shows whatever it feels. */
  sensorBiasC: number;
  sensorShowsC?: number;
  /** Coolant lost at working heat, L/h, and gas that blows heat into it, kW. */
  leakLPerH: number;
  gasKW: number;
}

export const USUAL_CAR: ThermalCar = {
  base: "ethylene",
  fraction: 0.5,
  capGaugeKPa: 110,
  capacityL: 8.5,
  litres: 8.5,
  metalKJPerK: 55,
  couplingKWPerK: 0.7,
  idleKW: 5.5,
  kWPerRpm: 0.0036,
  loadShare: 0.6,
  surfaceKWPerK: 0.02,
  opensC: 87,
  opensOverC: 12,
  hysteresisC: 2,
  waxLagS: 10,
  leastLift: 0.01,
  mostLift: 1,
  pumpLSPerRpm: 0.000_6,
  pumpMostRpm: 8000,
  coreAirKWPerK: 2,
  coreCoolantKWPerK: 6,
  draughtKgS: 0.055,
  ramKgSPerKmh: 0.014,
  airShare: 1,
  heaterKWPerK: 0.1,
  fans: [{ onC: 98, offC: 92, airKgS: 0.25 }],
  deadFans: [],
  heldFans: [],
  fanSenses: "engine",
  sensorLagS: 3,
  sensorBiasC: 0,
  leakLPerH: 0,
  gasKW: 0,
};

/** A car by its cooling card, the rest as is usual for one of its size: metal and core grow with its coolant. */
export function carOf(card: CoolingCard, given: Partial<ThermalCar> = {}): ThermalCar {
  const size = Math.sqrt(card.capacityL / USUAL_CAR.capacityL);
  return {
    ...USUAL_CAR,
    fraction: card.targetFraction,
    capGaugeKPa: card.capGaugeKpa,
    capacityL: card.capacityL,
    litres: card.capacityL,
    metalKJPerK: USUAL_CAR.metalKJPerK * size,
    idleKW: USUAL_CAR.idleKW * size,
    surfaceKWPerK: USUAL_CAR.surfaceKWPerK * size,
    draughtKgS: USUAL_CAR.draughtKgS * size,
    coreAirKWPerK: USUAL_CAR.coreAirKWPerK * size,
    opensC: card.thermostatOpensC ?? USUAL_CAR.opensC,
    fans: stagesOf(card, size),
    fanSenses: card.fanSenses,
    ...given,
  };
}
