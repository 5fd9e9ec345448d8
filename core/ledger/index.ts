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
} from "../book/index.ts";
export {
  type BalanceLine,
  type BuildGroup,
  type BuildItem,
  balance,
  balanceKey,
  buildList,
  type CoolantBalance,
  coolantBalance,
  fitVerdicts,
  LEVEL_WORDS,
  mayClose,
  type OpenItem,
  type OutEntry,
  openItems,
  outNow,
  outOpen,
  type PlaceOut,
  placesOut,
  type StepOff,
  stepsOff,
  stillOut,
  thing,
} from "../state/index.ts";
export { pouredMix } from "./poured-mix.ts";
export { completeLine } from "./read-line/complete-line.ts";
export { describeEntry } from "./read-line/describe.ts";
export type { Expectation, LineContext, LineReading } from "./read-line/line.ts";
export { reasonDraft } from "./read-line/read-correction.ts";
export { readLine } from "./read-line/read-line.ts";
export { stepBackDrafts, stepDoneDrafts } from "./step-drafts.ts";
