export { bledVehicle } from "./bled-vehicle.ts";
export { COOLS_IN_H } from "./cap-now.ts";
export { changedSystem } from "./changed-system.ts";
export {
  type CoolantCard,
  type CoolantState,
  coolantState,
  FLUSHED_SHARE,
  type KindIn,
  othersIn,
  type Span,
} from "./coolant.ts";
export { type CoolantBalance, coolantBalance } from "./coolant-balance.ts";
export { type Doubled, doubled } from "./doubled.ts";
export { drainedUntold } from "./drained-untold.ts";
export { type Duty, dutiesOf, mayClose, type OpenItem, openItems } from "./duties.ts";
export { type EngineState, engineState, mayHaveOpened } from "./engine.ts";
export { complaintOf, type Found, findingOf } from "./finding.ts";
export { fuseCause } from "./fuse-cause.ts";
export { type JobCard, type JobState, jobState } from "./job-state.ts";
export { type CarHasRun, fallenDistance, knownDistances } from "./known-distances.ts";
export { isKnownLow, notTogether, notToRun } from "./may-run.ts";
export { type Measure, measuresOf } from "./measures.ts";
export { type MoveOver, moveOver } from "./move-over.ts";
export { type NotWritten, notWritten } from "./not-written.ts";
export { pouredMix } from "./poured-mix.ts";
export { pressureHeld, pressureReadings } from "./pressure-test.ts";
export { type ProofRow, type ProvenCar, proofsOf, proofWords, provenCar, unproven } from "./proofs.ts";
export { type ApartRow, whileApart } from "./while-apart.ts";
export { type WorkDone, workDone } from "./work-done.ts";
