export {
  bypassed,
  cameIn,
  checkedFit,
  didTask,
  knownTorque,
  movedOver,
  noted,
  putWireOn,
  sawApart,
} from "./apart.ts";
export { complained, ranDistance, readCodes, saidHappens, saidTrouble, sawGauge, sawLevel } from "./ask.ts";
export {
  beganStep,
  changedCapacity,
  endedBleeding,
  feltHose,
  leftBleeding,
  letOut,
  measuredMix,
  poured,
  sawSign,
  stoppedBleeding,
  wentOn,
} from "./fill.ts";
export {
  answeredTest,
  blewBy,
  cannotTest,
  decided,
  decidedInWords,
  settledCircuit,
  testedOwn,
  toldOwner,
  triedRepair,
} from "./find.ts";
export { correctedBecause, struck } from "./lines.ts";
export { broke, putBack, type Thing, tookOff } from "./moves.ts";
export { acceptedPart, type Chosen, guaranteed, openedWithout, refusedPart } from "./parts.ts";
export { pointedAt, readCaution, tookPicture } from "./pictures.ts";
export { type Choice, chosePart, measuredUnit, needsNoParts, tookOrder, tookRemedy } from "./plan.ts";
export { heardFan, loggedWarmUp, proved, readCoolant, readHealth, readPressure, readRoom } from "./prove.ts";
export { dueWords, saidLook, signed } from "./sign.ts";
export { notBackDrafts, notDoneDrafts, notOffDrafts, stepBackDrafts, stepDoneDrafts } from "./steps.ts";
export { promisedReady, waits } from "./waits.ts";
