import { BENCH_CARS, thermalCarOf as benchThermalCar } from "../core/trade/bench/index.ts";
import { carOf, type ThermalCar } from "../core/trade/thermal/index.ts";
import type { DemoVehicle } from "./shop.ts";

/** A vehicle of the made-up shop as `core/trade/thermal` simulates it: by its card, and what sets its model apart. */
export function thermalCarOf({ name, card }: Pick<DemoVehicle, "name" | "card">): ThermalCar {
  const model = BENCH_CARS.find((each) => each.name === name);
  return model ? benchThermalCar({ ...model, card }) : carOf(card);
}
