import { type Entry, onceFor, type Stage, standing } from "../book/index.ts";
import {
  CheckedPart,
  ChosenPart,
  CoolantLevel,
  factsOf,
  RefusedPart,
  Task,
  TaskDone,
} from "../facts/index.ts";
import type { System } from "../units/index.ts";
import { type BalanceLine, balance, balanceKey } from "./balance.ts";
import { coolantBalance } from "./coolant-balance.ts";
import { stepsOff, wrongFits } from "./steps-off.ts";
import { stillOut } from "./still-out.ts";
import { coolantWords, levelWords, openWords, thing } from "./words.ts";

export interface OpenItem {
  /** What kind of thing is open. */
  about: "counted" | "step" | "check" | "task" | "litres" | "part" | "level" | "cold-check";
  /** The stage whose work closes it. */
  stage: Stage;
  words: string;
  line?: BalanceLine;
}

/** Where each account is put right again. */
const CLOSES_IN: Stage = "build";

/** Out and not back, followed in time; and what went in beyond what ever came out. */
function countedOpen(entries: readonly Entry[]): OpenItem[] {
  const out = new Map(stillOut(entries).map((line) => [balanceKey(line), line]));
  return balance(entries)
    .filter((line) => line.account !== "coolant")
    .flatMap((line): OpenItem[] => {
      const open = out.get(balanceKey(line)) ?? (line.open < 0 ? line : undefined);
      return open ? [{ about: "counted", stage: CLOSES_IN, words: openWords(open), line: open }] : [];
    });
}

/** Steps not undone, but for those whose things are open by themselves; what isn't right; tasks nobody did. */
function workOpen(entries: readonly Entry[]): OpenItem[] {
  const out = new Set(stillOut(entries).map(balanceKey));
  const done = new Set(factsOf(entries, TaskDone).map(({ fact }) => fact.task));
  return [
    ...stepsOff(entries)
      .filter(({ back }) => !(back.takes ?? []).some((each) => out.has(balanceKey(each))))
      .map(({ back }): OpenItem => ({ about: "step", stage: CLOSES_IN, words: back.open })),
    ...wrongFits(entries).map((words): OpenItem => ({ about: "check", stage: CLOSES_IN, words })),
    ...factsOf(entries, Task)
      .filter(({ entry }) => !done.has(entry.id))
      .map(
        ({ entry }): OpenItem => ({
          about: "task",
          stage: CLOSES_IN,
          words: `to do: ${[entry.item, entry.text].filter(Boolean).join(", ")}`,
        }),
      ),
  ];
}

function partsNotChecked(entries: readonly Entry[]): OpenItem[] {
  const checked = new Set(factsOf(entries, CheckedPart).map(({ fact }) => fact.part));
  const refused = new Map(factsOf(entries, RefusedPart).map(({ fact }) => [fact.part, fact.because]));
  return factsOf(entries, ChosenPart)
    .filter(({ entry }) => !checked.has(entry.id))
    .map(({ entry }) => ({
      about: "part",
      stage: "plan",
      words: refused.has(entry.id)
        ? `${thing({ ...entry, account: "part" })} refused: ${refused.get(entry.id)}; another to come`
        : `${thing({ ...entry, account: "part" })} not yet checked out of its box`,
    }));
}

/**
 * The last look at the level since the last pour. At the line or above and cold, it is the cold check; anything lower is
 * open with its own words, whoever looked and whenever; after a pour nothing but the cold check will do.
 */
function levelOpen(entries: readonly Entry[]): OpenItem[] {
  const lastPour = standing(entries).findLast(
    (entry) =>
      entry.kind === "movement" &&
      entry.account === "coolant" &&
      (entry.in ?? 0) > 0 &&
      entry.item !== "capacity",
  );
  const since = factsOf(entries, CoolantLevel).filter(({ entry }) => entry.order > (lastPour?.order ?? 0));
  const last =
    since.findLast(({ fact }) => fact.heat === "cold") ?? since.findLast(({ fact }) => fact.heat !== "hot");
  const isLow = last && last.fact.level !== "line" && last.fact.level !== "max";
  if (isLow) return [{ about: "level", stage: "fill", words: levelWords(last.fact.level) }];
  if (!lastPour || last?.fact.heat === "cold") return [];
  return [{ about: "cold-check", stage: "prove", words: "level and cap not yet checked cold" }];
}

const openIn: Record<System, (entries: readonly Entry[]) => OpenItem[]> = {
  metric: onceFor((entries) => reckonOpen(entries, "metric")),
  us: onceFor((entries) => reckonOpen(entries, "us")),
};

function reckonOpen(entries: readonly Entry[], system: System): OpenItem[] {
  const coolant = coolantBalance(entries);
  const litres: OpenItem[] = coolant.withinTolerance
    ? []
    : [{ about: "litres", stage: "fill", words: coolantWords(coolant.unaccountedL, system) }];
  return [
    ...countedOpen(entries),
    ...workOpen(entries),
    ...litres,
    ...partsNotChecked(entries),
    ...levelOpen(entries),
  ];
}

/**
 * Everything a job has open, in words, in the order in which it first moved: counted things not back, coolant over its
 * tolerance, steps of the order of work not undone, checks that failed, tasks not done, chosen parts nobody has looked at, a level that is too low or not checked cold since the last pour.
 */
export const openItems = (entries: readonly Entry[], system: System = "metric"): OpenItem[] =>
  openIn[system](entries);

/** Whether the books balance; `because` names every open item. A job that doesn't close needs a named person's reason. */
export function mayClose(
  entries: readonly Entry[],
  system: System = "metric",
): { closes: boolean; because: string[] } {
  const because = openItems(entries, system).map((item) => item.words);
  return { closes: because.length === 0, because };
}
