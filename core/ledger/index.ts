export { stepBackDrafts, stepDoneDrafts } from "../book/acts/index.ts";
export {
  ACCOUNTS,
  type Account,
  COOLANT_ITEMS,
  type CoolantItem,
  correctedIds,
  type Entry,
  type EntryData,
  type EntryDraft,
  isStrike,
  KINDS,
  type Kind,
  STAGES,
  type Stage,
  type StandingEntry,
  standing,
} from "../book/entry/index.ts";
export {
  type BalanceLine,
  type BuildGroup,
  type BuildItem,
  balance,
  balanceKey,
  buildList,
  fitVerdicts,
  LEVEL_WORDS,
  type OutEntry,
  outNow,
  outOpen,
  type PlaceOut,
  placesOut,
  type StepOff,
  stepsOff,
  stillOut,
  thing,
} from "../book/out/index.ts";
export {
  type CoolantBalance,
  coolantBalance,
  mayClose,
  type OpenItem,
  openItems,
  pouredMix,
} from "../state/index.ts";
export { completeLine } from "./read-line/complete-line.ts";
export { describeEntry } from "./read-line/describe.ts";
export type { Expectation, LineContext, LineReading } from "./read-line/line.ts";
export { reasonDraft } from "./read-line/read-correction.ts";
export { readLine } from "./read-line/read-line.ts";
