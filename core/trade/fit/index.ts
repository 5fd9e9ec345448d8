export { type BoltLength, boltLength, type Joint, type Seat } from "./bolt-length.ts";
export { type Clearance, clearance, type Stack, type Toleranced, touchesFirst } from "./clearance.ts";
export { nearest, type Space } from "./compare-depth.ts";
export { compareUnits } from "./compare-units.ts";
export type { FitLine } from "./fit-line.ts";
export { type FitResult, fitResult } from "./fit-result.ts";
export { type SeatSide, type Side, type Steering, sideFromSeat } from "./side-from-seat.ts";
export { SEATS, type SeatName, seatOf, THREADS } from "./threads.ts";
export {
  BOLT_CLASSES,
  type BoltClass,
  generalTorque,
  TIGHTENED_INTO,
  type TightenedInto,
  TORQUE_THREADS_MM,
} from "./torque.ts";
export { FEEDS, type Feeds, type Neck, type Unit } from "./unit.ts";
export { type CoolingUnit, type WillItCool, willItCool } from "./will-it-cool.ts";
