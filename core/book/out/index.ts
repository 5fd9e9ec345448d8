export { type BalanceLine, balance, balanceKey } from "./balance.ts";
export { type BuildGroup, type BuildItem, buildList } from "./build-list.ts";
export { movesCounted, type OutEntry, outNow, outOpen, wentInBeyond } from "./out-now.ts";
export { type PlaceOut, placesOut } from "./places-out.ts";
export { type StepState, stepsState } from "./steps.ts";
export { fitVerdicts, type StepOff, stepsOff, wrongFits } from "./steps-off.ts";
export { stillOut } from "./still-out.ts";
export { type TaskLine, tasksOf, toGet, toGetDraft, type Wanted } from "./to-get.ts";
export { coolantWords, LEVEL_WORDS, levelWords, openWords, thing } from "./words.ts";
