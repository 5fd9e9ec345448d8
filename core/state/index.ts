export { type BalanceLine, balance, balanceKey } from "./balance.ts";
export { bledVehicle } from "./bled-vehicle.ts";
export { type BuildGroup, type BuildItem, buildList } from "./build-list.ts";
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
export { type Duty, dutiesOf, mayClose, type OpenItem, openItems } from "./duties.ts";
export { type EngineState, engineState, mayHaveOpened } from "./engine.ts";
export { complaintOf, type Found, findingOf } from "./finding.ts";
export { type JobCard, type JobState, jobState } from "./job-state.ts";
export { type CarHasRun, fallenDistance, knownDistances } from "./known-distances.ts";
export { type Measure, measuresOf } from "./measures.ts";
export { type MoveOver, moveOver } from "./move-over.ts";
export { type NotWritten, notWritten } from "./not-written.ts";
export { type OutEntry, outNow, outOpen } from "./out-now.ts";
export { type PartState, partsState, type SaidOfPart, wantedParts } from "./parts.ts";
export { type PlaceOut, placesOut } from "./places-out.ts";
export { pressureHeld, pressureReadings } from "./pressure-test.ts";
export { type ProofRow, type ProvenCar, proofsOf, provenCar, unproven } from "./prove/proofs.ts";
export { type WorkDone, workDone } from "./prove/work-done.ts";
export { coolReadingOf, READ_ITEMS, roomOf } from "./readings.ts";
export { type StepState, stepsState } from "./steps.ts";
export { fitVerdicts, type StepOff, stepsOff } from "./steps-off.ts";
export { stillOut } from "./still-out.ts";
export { type TaskLine, tasksOf, toGet, toGetDraft, type Wanted } from "./to-get.ts";
export { WARM_C } from "./told-of-engine.ts";
export { inTrueOrder } from "./true-order.ts";
export { type ApartRow, whileApart } from "./while-apart.ts";
export { LEVEL_WORDS, thing } from "./words.ts";
