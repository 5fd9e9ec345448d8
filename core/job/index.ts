export { GRADES, WAITS, type WaitKind } from "../facts/index.ts";
export { complaintOf, type Found, findingOf } from "./finding.ts";
export { type NotWritten, notWritten } from "./not-written.ts";
export { type ChosenPartLine, chosenParts, type PartLife, partLives } from "./parts.ts";
export { type Gate, looksFor, partsGate } from "./parts-gate.ts";
export { type StageState, stageStates } from "./stage-states.ts";
export { type Wait, waitOf } from "./waits.ts";
export { type WorkOrder, workOrderOf } from "./work-order.ts";
