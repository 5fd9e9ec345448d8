export { type ColdSoak, coldSoak } from "./cold-soak.ts";
export { type DutyMeaning, type DutySense, dutyMeaning } from "./duty-meaning.ts";
export { FAN_TRIGGERS, type FanTrigger, type FanWire } from "./fan-wires.ts";
export { type FanToWire, type FanWiring, fanWiring } from "./fan-wiring.ts";
export { jumperFuse, motorDraw } from "./motor-draw.ts";
export { readSensorPoints } from "./read-sensor-points.ts";
export {
  type SensorFit,
  type SensorPoint,
  type SensorVerdict,
  sensorFit,
  sensorVerdict,
  temperatureFromOhms,
  USUAL_SENSOR,
} from "./sensor.ts";
export { type PotReading, type PotStage, type PotTest, switchPotTest } from "./switch-pot-test.ts";
export { type VoltageDrop, voltageDrop } from "./voltage-drop.ts";
