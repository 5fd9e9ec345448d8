export type { FanStage } from "./fan-stages.ts";
export type { Conditions } from "./heat-flows.ts";
export { checkScript, SCRIPTS, type Script, type ScriptName, type ScriptStep, stillAt } from "./script.ts";
export { type SimulateTerms, simulate, type ThermalTruth } from "./simulate.ts";
export { carOf, type ThermalCar, USUAL_CAR } from "./thermal-car.ts";
export {
  type PortReading,
  type ThermalEvent,
  ThermalRun,
  type ThermalState,
  upperHoseC,
} from "./thermal-run.ts";
export { FAULT_IDS, withFaults } from "./with-faults.ts";
