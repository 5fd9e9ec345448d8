export { SCRIPTS, type Script, type ScriptName, type ScriptStep } from "./script.ts";
export { type SimulateTerms, simulate, type ThermalEvent, type ThermalTruth } from "./simulate.ts";
export {
  type FanStage,
  simulateWarmUp,
  type WarmUp,
  type WarmUpCar,
  type WarmUpEvent,
} from "./simulate-warm-up.ts";
export { carOf, type FanStage as ThermalFanStage, type ThermalCar, USUAL_CAR } from "./thermal-car.ts";
export { FAULT_IDS, withFaults } from "./with-faults.ts";
