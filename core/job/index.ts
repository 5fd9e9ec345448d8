export { complaintOf, type Finding, findingOf } from "./finding.ts";
export { type ChosenPart, chosenParts, GRADES, type PartLife, partLives } from "./parts.ts";
export { type StageState, stageStates } from "./stage-states.ts";
export { WAITS, type Wait, type WaitKind, waitOf } from "./waits.ts";
