export { type BleedProgress, bleedProgress, type Cycle, SIGN_WORDS } from "./bleed-progress.ts";
export { type BleedingCard, bleedingVehicle } from "./bleeding-vehicle.ts";
export { type CoolDownGiven, coolDown } from "./cool-down.ts";
export { type CoolDown, type CoolReading, isShut, PLACES_READ, type PlaceRead } from "./cool-reading.ts";
export { readingsOf } from "./from-log.ts";
export {
  type BleedingStep,
  type BleedingVehicle,
  type Method,
  methodsFor,
  opensCap,
  SCHOOL_WORDS,
  stepOf,
} from "./methods.ts";
export { SCHOOLS, type School, SIGNS, type Sign, UPPER_HOSES, type UpperHose } from "./schools.ts";
