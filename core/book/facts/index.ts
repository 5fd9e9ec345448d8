export { Arrow } from "./arrow.ts";
export { BleedSign } from "./bleed-sign.ts";
export { BleedStep } from "./bleed-step.ts";
export { Bypass } from "./bypass.ts";
export { CANNOT_BECAUSE, CANNOT_WORDS, type CannotBecause, CannotTest } from "./cannot-test.ts";
export { CautionRead } from "./caution-read.ts";
export { CheckedPart } from "./checked-part.ts";
export { ChosenPart } from "./chosen-part.ts";
export { Codes } from "./codes.ts";
export { Complaint } from "./complaint.ts";
export { CoolantLevel } from "./coolant-level.ts";
export { CoolantRead, READ_ITEMS, type ReadAt } from "./coolant-read.ts";
export { coolantWords } from "./coolant-words.ts";
export { CorrectionReason } from "./correction-reason.ts";
export { IsDay } from "./day.ts";
export { Distance } from "./distance.ts";
export type { FactClass } from "./fact.ts";
export {
  dataOf,
  factOf,
  factsOf,
  factTrouble,
  lastFact,
  lifted,
  type ReadFact,
  type Said,
  unknownFactOf,
} from "./facts-of.ts";
export { FanCircuit } from "./fan-circuit.ts";
export { FanHeard } from "./fan-heard.ts";
export { FAN_SAID, type FanSaid } from "./fan-said.ts";
export { Finding } from "./finding.ts";
export { FitCheck } from "./fit-check.ts";
export { FOLLOW_UP_DOES, FollowUpSaid } from "./follow-up.ts";
export { FUSE_CAUSES, FuseCause, type FuseCauseId } from "./fuse-cause.ts";
export { Gauge } from "./gauge.ts";
export { Got } from "./got.ts";
export { Guarantee, guaranteeSpan, guaranteeWords } from "./guarantee.ts";
export { Happens } from "./happens.ts";
export { type HealthFigure, HealthRead } from "./health-read.ts";
export { HOSE_WORDS, HoseFelt } from "./hose-felt.ts";
export { KnownTorque } from "./known-torque.ts";
export { FACTS } from "./list.ts";
export type { LogCheck } from "./log-checks.ts";
export { MeasuredUnit } from "./measured-unit.ts";
export { MixRead } from "./mix-read.ts";
export { IsMoment, isMoment } from "./moment.ts";
export { MOVED_HOW, MOVED_WORDS, type MovedHow, MovedOver } from "./moved-over.ts";
export { NoParts } from "./no-parts.ts";
export { OpenedWithout } from "./opened-without.ts";
export { OrderOfWork } from "./order-of-work.ts";
export { OwnTest } from "./own-test.ts";
export { Picture } from "./picture.ts";
export { PressureRead } from "./pressure-read.ts";
export { Proof } from "./proof.ts";
export { PROOFS, type ProofName } from "./proof-names.ts";
export { ReadyPromised } from "./ready-promised.ts";
export { RefusedPart } from "./refused-part.ts";
export { SEEN_AS, SEEN_WORDS, SeenApart, type SeenAs } from "./seen-apart.ts";
export { Signature } from "./signature.ts";
export { StepBack } from "./step-back.ts";
export { StepDone } from "./step-done.ts";
export { Strength } from "./strength.ts";
export { Task } from "./task.ts";
export { TaskDone } from "./task-done.ts";
export { tells } from "./tells.ts";
export { TestOutcome } from "./test-outcome.ts";
export { TO_GET_BECAUSE, ToGet } from "./to-get.ts";
export { TriedRepair } from "./tried-repair.ts";
export { Trouble } from "./trouble.ts";
export { Waiting } from "./wait.ts";
export { WAITS, type WaitKind } from "./wait-kinds.ts";
export { MOST_RESTED_H, WarmUpLog } from "./warm-up-log.ts";
export { WireOn } from "./wire-on.ts";
export { sentence } from "./words.ts";
export { entryTrouble, UNIT_RANGES, WrittenEntry } from "./written-entry.ts";
