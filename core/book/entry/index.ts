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
export { onceFor } from "./once-for.ts";
export { onceStanding } from "./once-standing.ts";
export { correctedIds, isStrike, type StandingEntry, standing } from "./standing.ts";
export { inTrueOrder } from "./true-order.ts";
