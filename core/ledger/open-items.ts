import type { System } from "../units/index.ts";
import { type BalanceLine, balance } from "./balance.ts";
import { coolantBalance } from "./coolant-balance.ts";
import type { Entry, Stage } from "./entry.ts";
import { standing } from "./standing.ts";
import { coolantWords, openWords, thing } from "./words.ts";

export interface OpenItem {
  /** The stage whose work closes it. */
  stage: Stage;
  words: string;
  line?: BalanceLine;
}

/** Where each account is put right again. */
const CLOSES_IN: Stage = "build";

function partsNotChecked(entries: readonly Entry[]): OpenItem[] {
  const counting = standing(entries);
  const checked = new Set(counting.map((entry) => entry.data?.checkedPart).filter(Boolean));
  return counting
    .filter((entry) => entry.data?.chosenPart && !checked.has(entry.id))
    .map((entry) => ({
      stage: "plan",
      words: `${thing({ ...entry, account: "part" })} not yet checked out of its box`,
    }));
}

function coldCheckDue(entries: readonly Entry[]): OpenItem[] {
  const counting = standing(entries);
  const lastPour = counting.findLast((entry) => entry.account === "coolant" && (entry.in ?? 0) > 0);
  if (!lastPour) return [];
  const checked = counting.some((entry) => entry.data?.coldCheck === true && entry.seq > lastPour.seq);
  return checked ? [] : [{ stage: "prove", words: "level and cap not yet checked cold" }];
}

/**
 * Everything a job has open, in words, in the order in which it first moved: counted things not back, coolant over its
 * tolerance, chosen parts nobody has looked at, the level not checked cold since the last pour.
 */
export function openItems(entries: readonly Entry[], system: System = "metric"): OpenItem[] {
  const coolant = coolantBalance(entries);
  const counted = balance(entries)
    .filter((line) => line.account !== "coolant" && line.open !== 0)
    .map((line): OpenItem => ({ stage: CLOSES_IN, words: openWords(line), line }));
  const litres: OpenItem[] = coolant.withinTolerance
    ? []
    : [{ stage: "fill", words: coolantWords(coolant.unaccountedL, system) }];
  return [...counted, ...litres, ...partsNotChecked(entries), ...coldCheckDue(entries)];
}

/** Whether the books balance; `because` names every open item. A job that doesn't close needs a named person's reason. */
export function mayClose(
  entries: readonly Entry[],
  system: System = "metric",
): { closes: boolean; because: string[] } {
  const because = openItems(entries, system).map((item) => item.words);
  return { closes: because.length === 0, because };
}
