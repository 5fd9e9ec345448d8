export { WAITS, type WaitKind } from "../book/facts/index.ts";
export { type TaskLine, tasksOf, toGet, type Wanted } from "../book/out/index.ts";
export { plainPart } from "../book/parts/index.ts";
export {
  type ApartRow,
  complaintOf,
  type Found,
  findingOf,
  type MoveOver,
  moveOver,
  type NotWritten,
  notWritten,
  type ProofRow,
  type ProvenCar,
  pressureHeld,
  pressureReadings,
  proofsOf,
  provenCar,
  unproven,
  type WorkDone,
  whileApart,
  workDone,
} from "../state/index.ts";
export { GRADES } from "../trade/sourcing/index.ts";
export { type BackItem, type BackList, backList, isBeside } from "./back-list.ts";
export { type BleedRun, bleedRun } from "./bleed-run.ts";
export { type BackStep, type BuildOrder, buildOrder } from "./build-order.ts";
export { type Learned, type LearnedOut, learnedFrom } from "./learned.ts";
export { likeness } from "./likeness.ts";
export { type PartLife, partLives } from "./parts.ts";
export { type Gate, looksFor, partsGate } from "./parts-gate.ts";
export { type PictureLine, picturesOf } from "./pictures.ts";
export { type Promised, promisesOf } from "./promises.ts";
export { type StageState, stageStates } from "./stage-states.ts";
export { type Unaccounted, unaccountedAs } from "./unaccounted.ts";
export { type Wait, waitOf } from "./waits.ts";
export { type WorkOrder, workOrderOf } from "./work-order.ts";
