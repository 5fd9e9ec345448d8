export { Account } from "./account.ts";
export {
  MOST_ACTS,
  MOST_KEPT,
  MOST_ROUNDS,
  type PracticeAct,
  RUN_MINUTES,
  RUN_RPM,
  readActs,
  WAIT_MINUTES,
} from "./acts.ts";
export { type EngineRow, type EngineSeen, type Felt, RED_C } from "./engine.ts";
export { anyCarKey, circuitOfCar, type Hidden, hide, LEVELS, type Level, MOST_SEED } from "./hidden.ts";
export { modelNow, plannersWay } from "./planners-way.ts";
export { type Done, PracticeRound, playRound } from "./round.ts";
export { type RoundSetup, type RoundTold, tellPlannersWay, tellRound } from "./told.ts";
