export { type BalanceLine, balance, balanceKey, stillOut } from "./balance.ts";
export { type BuildGroup, type BuildItem, buildList } from "./build-list.ts";
export { type CoolantBalance, coolantBalance } from "./coolant-balance.ts";
export {
  ACCOUNTS,
  type Account,
  COOLANT_ITEMS,
  type CoolantItem,
  type Entry,
  type EntryData,
  type EntryDraft,
  KINDS,
  type Kind,
  STAGES,
  type Stage,
} from "./entry.ts";
export { mayClose, type OpenItem, openItems } from "./open-items.ts";
export { completeLine } from "./read-line/complete-line.ts";
export { describeEntry } from "./read-line/describe.ts";
export type { Expectation, LineContext, LineReading } from "./read-line/line.ts";
export { readLine } from "./read-line/read-line.ts";
export { correctedIds, isStrike, type StandingEntry, standing } from "./standing.ts";
export { thing } from "./words.ts";
