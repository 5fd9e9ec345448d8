import { atmosphereKPa, boilingPointC } from "../coolant/index.ts";
import type { ThermalCar } from "./thermal-car.ts";

/** Where each figure stands in the state of a cooling system. */
export const METAL = 0;
export const BLOCK = 1;
export const RADIATOR = 2;
export const WAX = 3;
export const LIFT = 4;
export const SENSOR = 5;
export const TANK_SENSOR = 6;
export const LITRES = 7;
export const IN_KJ = 8;
export const OUT_KJ = 9;
export const FIGURES = 10;

/** Half glycol; others differ by a few per cent, which nothing here is measured to. */
const COOLANT_KJ_PER_L_K = 3.6;
const AIR_KJ_PER_KG_K = 1.006;
/** Of what is in it, so much stands in block and heater, the rest in the radiator. */
const BLOCK_SHARE = 0.6;
/** A stopped pump: warm coolant rises all the same, L/s. */
const RISES_L_S = 0.01;
const LIFT_LAG_S = 1.5;
const TANK_LAG_S = 8;
/** So much may be missing before the pump draws air, and over so much more it loses its flow. */
const MISSING_BEFORE = 0.15;
const MISSING_OVER = 0.25;
/** Boiling takes heat so fast that nothing gets much hotter, kW/K; and what a litre takes with it, kJ. */
const BOILS_KW_PER_K = 20;
const BOILED_KJ_PER_L = 2150;
/** Nothing leaks out of a cold system; at that it does whole, °C. */
const [LEAKS_FROM_C, LEAKS_WHOLE_C] = [50, 90];
/** A condenser warms what the core gets, °C, standing still; and less with each km/h. */
const CONDENSER_C = 7;
const CONDENSER_KMH = 60;
const FULL_FLOW_L_S = 1.5;
const SURFACE_PER_KMH = 0.01;

/** What the car goes through just now. */
export interface Conditions {
  ambientC: number;
  rpm: number;
  kmh: number;
  loadKW: number;
  heater: number;
  isCooling: boolean;
}

const clamped = (value: number) => (value < 0 ? 0 : Math.min(value, 1));

/** The flows of heat in one car, kW, by which its temperatures change: what is stepped through time. */
export class HeatFlows {
  readonly boilsC: number;
  /** As they were worked out last. */
  radiatorKW = 0;
  heaterKW = 0;
  engineKW = 0;
  airKgS = 0;
  private airC = 0;
  private ambientC = 0;
  private heatedKWPerK = 0;
  private airResistance = 0;
  private pumpLS = 0;
  private surfaceKWPerK = 0;
  private heaterKWPerK = 0;

  constructor(
    private readonly car: ThermalCar,
    altitudeM: number,
  ) {
    this.boilsC = boilingPointC(car.base, car.fraction, atmosphereKPa(altitudeM) + car.capGaugeKPa);
  }

  /** What everything holds above 0 °C, kJ. */
  heldKJ(y: Float64Array): number {
    const wet = (y[LITRES] as number) * COOLANT_KJ_PER_L_K;
    return (
      this.car.metalKJPerK * (y[METAL] as number) +
      wet * (BLOCK_SHARE * (y[BLOCK] as number) + (1 - BLOCK_SHARE) * (y[RADIATOR] as number))
    );
  }

  /** What the car goes through from now on, and the air that its fans draw, kg/s: what stays as it is through a step is worked out once. */
  through(now: Conditions, fanKgS: number): void {
    const { car } = this;
    const { ambientC, rpm, kmh, loadKW, heater, isCooling } = now;
    const ram = car.ramKgSPerKmh * kmh;
    this.airKgS = car.airShare * Math.sqrt(ram * ram + fanKgS * fanKgS + car.draughtKgS * car.draughtKgS);
    this.airC = ambientC + (isCooling ? CONDENSER_C / (1 + kmh / CONDENSER_KMH) : 0);
    this.ambientC = ambientC;
    this.heatedKWPerK = this.airKgS * AIR_KJ_PER_KG_K;
    this.airResistance = 1 / (car.coreAirKWPerK * this.airKgS ** 0.6);
    this.pumpLS = car.pumpLSPerRpm * Math.min(rpm, car.pumpMostRpm);
    this.surfaceKWPerK = car.surfaceKWPerK * (1 + SURFACE_PER_KMH * kmh);
    this.heaterKWPerK = car.heaterKWPerK * heater;
    this.engineKW =
      rpm > 0 ? Math.max(0, car.idleKW + car.kWPerRpm * (rpm - 800) + car.loadShare * loadKW) + car.gasKW : 0;
  }

  /** How fast each figure changes, by a second, written into `rates`, under what `through` was told last. */
  rates(y: Float64Array, rates: Float64Array): void {
    const { car, engineKW } = this;
    const metal = y[METAL] as number;
    const block = y[BLOCK] as number;
    const radiator = y[RADIATOR] as number;
    const wax = y[WAX] as number;
    const lift = y[LIFT] as number;
    const litres = Math.max(0.2, y[LITRES] as number);

    const missing = 1 - litres / car.capacityL;
    const drawn = 1 - clamped((missing - MISSING_BEFORE) / MISSING_OVER) * 0.95;
    const pumpLS = RISES_L_S + this.pumpLS * drawn;
    const coreLS = pumpLS * lift;

    const wetted = drawn * (0.3 + 0.7 * Math.sqrt(Math.min(1, pumpLS / FULL_FLOW_L_S)));
    const toCoolant = car.couplingKWPerK * wetted * (metal - block);
    const surface = this.surfaceKWPerK * (metal - this.ambientC);
    const heater = this.heaterKWPerK * Math.min(1, pumpLS / 0.4) * (block - this.ambientC);

    const rooted = Math.sqrt(Math.max(coreLS, 0.005));
    // A turbulent flow passes heat by its power of about three quarters.
    const coolantResistance = 1 / (car.coreCoolantKWPerK * rooted * Math.sqrt(rooted));
    const effectiveness = 1 - Math.exp(-1 / ((this.airResistance + coolantResistance) * this.heatedKWPerK));
    // Where much flows, the core is as hot as between its ends; where little does, as its outlet.
    const inletShare = coreLS < 0.3 ? coreLS / 0.6 : 0.5;
    const core = effectiveness * this.heatedKWPerK * (radiator + inletShare * (block - radiator) - this.airC);
    const carried = coreLS * COOLANT_KJ_PER_L_K * (block - radiator);

    const over = block - this.boilsC;
    const boiling = over > 0 ? BOILS_KW_PER_K * over : 0;
    const leaks = (car.leakLPerH / 3600) * clamped((block - LEAKS_FROM_C) / (LEAKS_WHOLE_C - LEAKS_FROM_C));
    const lostLS = litres > 0.3 ? boiling / BOILED_KJ_PER_L + leaks : 0;
    const lostKW = lostLS * COOLANT_KJ_PER_L_K * (BLOCK_SHARE * block + (1 - BLOCK_SHARE) * radiator);

    const wetKJPerK = litres * COOLANT_KJ_PER_L_K;
    rates[METAL] = (engineKW - toCoolant - surface) / car.metalKJPerK;
    rates[BLOCK] = (toCoolant - heater - carried - boiling) / (BLOCK_SHARE * wetKJPerK);
    rates[RADIATOR] = (carried - core) / ((1 - BLOCK_SHARE) * wetKJPerK);
    rates[WAX] = (block - wax) / car.waxLagS;
    rates[LIFT] = this.liftRate(wax, lift);
    rates[SENSOR] = (block - (y[SENSOR] as number)) / car.sensorLagS;
    rates[TANK_SENSOR] = (radiator - (y[TANK_SENSOR] as number)) / TANK_LAG_S;
    rates[LITRES] = -lostLS;
    rates[IN_KJ] = engineKW;
    rates[OUT_KJ] = surface + heater + core + boiling + lostKW;
    this.radiatorKW = core;
    this.heaterKW = heater;
  }

  /** The wax opens along one line and shuts along another below it; between them nothing moves. */
  private liftRate(wax: number, lift: number): number {
    const { opensC, opensOverC, hysteresisC, leastLift, mostLift } = this.car;
    const rising = mostLift * clamped((wax - opensC) / opensOverC);
    const falling = mostLift * clamped((wax - opensC + hysteresisC) / opensOverC);
    const opened = Math.max(rising, leastLift);
    const shut = Math.max(falling, leastLift);
    const wanted = lift < opened ? opened : Math.min(lift, shut);
    return (wanted - lift) / LIFT_LAG_S;
  }
}
