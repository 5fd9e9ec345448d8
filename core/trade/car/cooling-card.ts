import type { SensorPoint } from "../electrics/index.ts";

/** What a shop knows of a vehicle's cooling system, in core units. */
export interface CoolingCard {
  capacityL: number;
  coolantKind: string;
  coolantProduct: string;
  /** The maker's approval that it asks for, several apart by commas; empty where it asks for none. */
  coolantApproval: string;
  targetFraction: number;
  capGaugeKpa: number;
  thermostatOpensC: number;
  circuit: string | null;
  fanOnC: number[];
  fanOffC: number[];
  fanSenses: "engine" | "radiator";
  fillPoint: string;
  bleedPoints: string;
  oilCooler: string;
  /** The coolant sensor's curve; empty where nobody knows it. */
  sensorCurve: SensorPoint[];
}
