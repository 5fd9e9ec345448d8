import { Arrow } from "./arrow.ts";
import { BleedSign } from "./bleed-sign.ts";
import { BleedStep } from "./bleed-step.ts";
import { Bypass } from "./bypass.ts";
import { CannotTest } from "./cannot-test.ts";
import { CautionRead } from "./caution-read.ts";
import { CheckedPart } from "./checked-part.ts";
import { ChosenPart } from "./chosen-part.ts";
import { Codes } from "./codes.ts";
import { Complaint } from "./complaint.ts";
import { CoolantLevel } from "./coolant-level.ts";
import { CoolantRead } from "./coolant-read.ts";
import { CorrectionReason } from "./correction-reason.ts";
import { Distance } from "./distance.ts";
import type { FactClass } from "./fact.ts";
import { FanCircuit } from "./fan-circuit.ts";
import { FanHeard } from "./fan-heard.ts";
import { Finding } from "./finding.ts";
import { FitCheck } from "./fit-check.ts";
import { FollowUpSaid } from "./follow-up.ts";
import { FuseCause } from "./fuse-cause.ts";
import { Gauge } from "./gauge.ts";
import { Got } from "./got.ts";
import { Guarantee } from "./guarantee.ts";
import { Happens } from "./happens.ts";
import { HealthRead } from "./health-read.ts";
import { HoseFelt } from "./hose-felt.ts";
import { KnownTorque } from "./known-torque.ts";
import { MeasuredUnit } from "./measured-unit.ts";
import { MixRead } from "./mix-read.ts";
import { MovedOver } from "./moved-over.ts";
import { NoParts } from "./no-parts.ts";
import { OpenedWithout } from "./opened-without.ts";
import { OrderOfWork } from "./order-of-work.ts";
import { OwnTest } from "./own-test.ts";
import { Picture } from "./picture.ts";
import { PressureRead } from "./pressure-read.ts";
import { Proof } from "./proof.ts";
import { ReadyPromised } from "./ready-promised.ts";
import { RefusedPart } from "./refused-part.ts";
import { SeenApart } from "./seen-apart.ts";
import { Signature } from "./signature.ts";
import { StepBack } from "./step-back.ts";
import { StepDone } from "./step-done.ts";
import { Strength } from "./strength.ts";
import { Task } from "./task.ts";
import { TaskDone } from "./task-done.ts";
import { TestOutcome } from "./test-outcome.ts";
import { ToGet } from "./to-get.ts";
import { TriedRepair } from "./tried-repair.ts";
import { Trouble } from "./trouble.ts";
import { Waiting } from "./wait.ts";
import { WarmUpLog } from "./warm-up-log.ts";
import { WireOn } from "./wire-on.ts";

/** Every fact, in the order of the work. A new one is a new file and a line here. */
export const FACTS: readonly FactClass[] = [
  Complaint,
  Distance,
  Trouble,
  Happens,
  Gauge,
  Codes,
  CoolantLevel,
  TestOutcome,
  OwnTest,
  CannotTest,
  TriedRepair,
  FanCircuit,
  CoolantRead,
  FanHeard,
  HoseFelt,
  Bypass,
  MixRead,
  Finding,
  FuseCause,
  ChosenPart,
  CheckedPart,
  RefusedPart,
  NoParts,
  OpenedWithout,
  OrderOfWork,
  Task,
  TaskDone,
  ToGet,
  Got,
  StepDone,
  StepBack,
  MovedOver,
  FitCheck,
  SeenApart,
  WireOn,
  MeasuredUnit,
  KnownTorque,
  Picture,
  Arrow,
  Strength,
  BleedStep,
  BleedSign,
  PressureRead,
  WarmUpLog,
  HealthRead,
  Proof,
  Waiting,
  ReadyPromised,
  CautionRead,
  Guarantee,
  FollowUpSaid,
  Signature,
  CorrectionReason,
];

/** Entries written before facts had names are asked in this order: the ones told by one key of their own first. */
export const LOOSE_ORDER: readonly FactClass[] = [
  WarmUpLog,
  Signature,
  CheckedPart,
  ChosenPart,
  NoParts,
  Finding,
  TestOutcome,
  OwnTest,
  CannotTest,
  FanCircuit,
  Waiting,
  Trouble,
  Happens,
  CoolantLevel,
  CoolantRead,
  FanHeard,
  Strength,
  Complaint,
  Distance,
  Gauge,
  Codes,
  CautionRead,
];
