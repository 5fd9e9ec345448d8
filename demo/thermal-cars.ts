import { carOf, type ThermalCar } from "../core/trade/thermal/index.ts";
import { type DemoVehicle, VEHICLES } from "./shop.ts";

/** What sets a model of the made-up shop apart from a usual car of its size, beyond its card. */
const OWN: Readonly<Record<string, Partial<ThermalCar>>> = {
  // A minibus: a larger engine before a large core, much glass to heat.
  wayfarer: { kWPerRpm: 0.0042, heaterKWPerK: 0.16, ramKgSPerKmh: 0.013 },
  scholar: { kWPerRpm: 0.004, heaterKWPerK: 0.14, ramKgSPerKmh: 0.012 },
  // Small, and always laden: not much core to spare.
  courier: { coreAirKWPerK: 1.6, draughtKgS: 0.045 },
  pannier: { coreAirKWPerK: 1.5, draughtKgS: 0.042 },
  // An old iron block, slow to warm.
  finch: { metalKJPerK: 52 },
  // A lorry: its clutch moves far more air than a plug-in fan, and its block takes half an hour to warm.
  drover: { kWPerRpm: 0.007, heaterKWPerK: 0.2, ramKgSPerKmh: 0.02 },
  // Oil cools in the radiator: that is more heat to shed.
  tender: { idleKW: 5.9, loadShare: 0.64 },
  // The engine rests half the time; its pump doesn't ask for revs.
  duo: { kWPerRpm: 0.003, loadShare: 0.45 },
};

/** A vehicle of the made-up shop as `core/trade/thermal` simulates it: by its card, and what sets its model apart. */
export function thermalCarOf({ name, card }: Pick<DemoVehicle, "name" | "card">): ThermalCar {
  const model = VEHICLES.find((each) => each.name === name);
  return carOf(card, OWN[model?.key ?? ""]);
}
