export { USUAL_AIR_C } from "./air.ts";
export { CAP_OPENS_C, CAP_OPENS_WORDS, capRatingKPa, HOT_CAP_WORDS, SENSOR_ERROR_C } from "./cap.ts";
export {
  HOTTEST_SOUND_C,
  RAN_LATELY_C,
  RAN_READ_C,
  RAN_UNREAD_C,
  SENSOR_OPEN_C,
  SENSOR_SHORT_C,
  WARM_FROM_C,
} from "./heat.ts";
export { AIR_ERROR_C, COOLS_ON_TESTER_C, fastestC, SLOWEST_S, UNREAD_AIR } from "./how-fast-it-cools.ts";
export { JUG_SHARE } from "./jug.ts";
export { usualMinimumL } from "./minimum-mark.ts";
export { RADIATOR_LAG_C } from "./radiator-lag.ts";
export { SWITCH_TOLERANCE_C } from "./switch-tolerance.ts";
export { NEVER_SHUT_C } from "./thermostat.ts";
