import { benchCar, thermalCarOf } from "../bench/index.ts";
import { type Circuit, hypothesisOf } from "../diagnosis/knowledge/index.ts";
import { type ThermalCar, withFaults } from "../thermal/index.ts";
import { circuitOfCar } from "./hidden.ts";

/** Whether a fault stops one of two fans and leaves the other to run. */
export const isOneFans = (circuit: Circuit, fault: string): boolean =>
  hypothesisOf(fault)?.breaks === true &&
  circuit.components.some(({ id, faults }) => circuit.perFan?.includes(id) && faults.includes(fault));

/** A car of the bench with these faults; of two fans one runs on where only the other's own branch is broken. */
export function faultyCar(carKey: string, faults: readonly string[]): ThermalCar {
  const circuit = circuitOfCar(carKey);
  const sound = thermalCarOf(benchCar(carKey));
  const halved = faults.filter((fault) => isOneFans(circuit, fault));
  const car = withFaults(
    sound,
    faults.filter((fault) => !halved.includes(fault)),
  );
  return halved.length === 0
    ? car
    : { ...car, fans: car.fans.map((fan) => ({ ...fan, airKgS: fan.airKgS / 2 })) };
}
