export { approvalSaid } from "./approval.ts";
export type { Base, Product } from "./base.ts";
export { atmosphereKPa, boilingPointC, boilMarginC, vapourKPa } from "./boil.ts";
export { type Compatibility, compatibility, KINDS, type Kind } from "./compatibility.ts";
export { expansionL } from "./expansion.ts";
export { fractionFromFreezePoint, freezePointC, STRONGEST, safeFreezeC } from "./freeze.ts";
export { fractionByInstrument, INSTRUMENTS, type Instrument, type InstrumentReading } from "./instrument.ts";
export { blend, correct, type Refill, refill } from "./mix.ts";
export { bySchool, COOLANT_SCHOOLS, type CoolantSchool, type Poured } from "./schools.ts";
