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
export { type BalanceLine, balance, balanceKey } from "./balance.ts";
export { type BuildGroup, type BuildItem, buildList } from "./build-list.ts";
export { type CoolantBalance, coolantBalance } from "./coolant-balance.ts";
export { mayClose, type OpenItem, openItems } from "./open-items.ts";
export { type OutEntry, outNow, outOpen } from "./out-now.ts";
export { type PlaceOut, placesOut } from "./places-out.ts";
export { pouredMix } from "./poured-mix.ts";
export { completeLine } from "./read-line/complete-line.ts";
export { describeEntry } from "./read-line/describe.ts";
export type { Expectation, LineContext, LineReading } from "./read-line/line.ts";
export { reasonDraft } from "./read-line/read-correction.ts";
export { readLine } from "./read-line/read-line.ts";
export { stepBackDrafts, stepDoneDrafts } from "./step-drafts.ts";
export { fitVerdicts, type StepOff, stepsOff } from "./steps-off.ts";
export { stillOut } from "./still-out.ts";
export { LEVEL_WORDS, thing } from "./words.ts";
