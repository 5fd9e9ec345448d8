import type { QuantityName } from "../core/trade/port/index.ts";
import type { ThermalCar } from "../core/trade/thermal/index.ts";
import { VEHICLES } from "./shop.ts";
import { thermalCarOf } from "./thermal-cars.ts";

/** What the computers of these models don't tell. */
const LACKS: Readonly<Record<string, readonly QuantityName[]>> = {
  finch: ["volts", "ambientC"],
  drover: ["throttlePercent", "ambientC"],
};

/** The models of the made-up shop as an adapter meets them: by a computer's fan a tester may command it. */
export const portCars = (): Record<
  string,
  { car: ThermalCar; lacks: readonly QuantityName[]; takesCommands: boolean }
> =>
  Object.fromEntries(
    VEHICLES.map((vehicle) => [
      vehicle.key,
      {
        car: thermalCarOf(vehicle),
        lacks: LACKS[vehicle.key] ?? [],
        takesCommands: vehicle.card.circuit?.startsWith("ecu-") ?? false,
      },
    ]),
  );
