export { isAfterRed } from "./after-red.ts";
export { type Asked, type Hint, LOSES as LOSES_FAULTS, weighAsked } from "./asked.ts";
export { handbookPriors, hypothesesOf, type ModelChoices, modelOf, testOf, testsOf } from "./build-model.ts";
export { checkKnowledge, notToldApart } from "./check-knowledge.ts";
export { CIRCUITS, COOLANT_PROBES } from "./circuits.ts";
export { CAUTIONS, cautionsOf, cautionsOfRepair } from "./hazards.ts";
export { BOILS, HYPOTHESES, hypothesisOf } from "./hypotheses.ts";
export { isOutcome, UNSURE } from "./is-outcome.ts";
export {
  CIRCUIT_KINDS,
  type Circuit,
  type CircuitKind,
  type Component,
  type Hazard,
  type OutcomeKnowledge,
  type RepairKnowledge,
  type TestKnowledge,
} from "./knowledge.ts";
export { DEAD_FAN as DEAD_FAN_FAULTS } from "./outcome-words.ts";
export { GAUGES, type GaugeStood, HAPPENS, type HappensWhen } from "./owners-words.ts";
export { BOILED_COMEBACK_CENTS, USUAL_RATES, VERDICT_BELIEF } from "./rates.ts";
export { REPAIRS } from "./repairs.ts";
export { type CircuitAnswers, type SettledCircuit, settleCircuit } from "./settle-circuit.ts";
export { TROUBLE_ROWS, TROUBLES, type Trouble, troubleGiven } from "./troubles.ts";
