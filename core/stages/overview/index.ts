export { type StageState, stageStates } from "./stage-states.ts";
export { type Wait, waitOf } from "./waits.ts";
