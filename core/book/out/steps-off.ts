import type { Verdict } from "../../kernel/verdict/index.ts";
import { FIT_CHECKS, WAYS_BACK, type WayBack } from "../../trade/order/index.ts";
import type { Entry } from "../entry/index.ts";
import { onceStanding } from "../entry/index.ts";
import { FitCheck, factOf, factsOf, StepBack } from "../facts/index.ts";
import { stepsState } from "./steps.ts";

/** A step that was done and leaves something to undo. */
export interface StepOff {
  step: string;
  back: WayBack;
  /** The line that said it was done. */
  entryId: string;
}

/** The steps of the order of work that were done and are not undone yet, first done first. */
export const stepsOff = (entries: readonly Entry[]): StepOff[] =>
  stepsState(entries).flatMap(({ step, entryId, isOpen }) => {
    const back = Object.hasOwn(WAYS_BACK, step) ? WAYS_BACK[step] : undefined;
    return back && isOpen ? [{ step, back, entryId }] : [];
  });

/** What was last said of each check: right as its step went back, or looked at by itself. Not in it: not seen. */
export const fitVerdicts = onceStanding(
  (entries): ReadonlyMap<string, Verdict> => {
    const said = [
      ...factsOf(entries, StepBack).flatMap(({ fact: { seen }, entry }) =>
        seen.map((check) => ({ check, verdict: "pass" as const, order: entry.order })),
      ),
      ...factsOf(entries, FitCheck).map(({ fact, entry }) => ({ ...fact, order: entry.order })),
    ].sort((a, b) => a.order - b.order);
    return new Map(said.map(({ check, verdict }) => [check, verdict]));
  },
  (added) => factOf(added) !== undefined,
);

/** What was looked at and isn't right, in words. */
export function wrongFits(entries: readonly Entry[]): string[] {
  const verdicts = fitVerdicts(entries);
  if (verdicts.size === 0) return [];
  return FIT_CHECKS.flatMap(({ checks }) => checks)
    .filter(({ id }) => verdicts.get(id) === "fail")
    .map(({ wrong }) => wrong);
}
