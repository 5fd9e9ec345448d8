export { type BleedProgress, bleedProgress, type Cycle, SIGN_WORDS } from "./bleed-progress.ts";
export { type BleedingCard, bleedingVehicle } from "./bleeding-vehicle.ts";
export { type CoolDown, type CoolReading, coolDown } from "./cool-down.ts";
export { readingsOf } from "./from-log.ts";
export { type BleedingStep, type BleedingVehicle, type Method, methodsFor, SCHOOL_WORDS } from "./methods.ts";
export { SCHOOLS, type School, SIGNS, type Sign } from "./schools.ts";
