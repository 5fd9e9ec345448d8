import type { Entry } from "../book/index.ts";
import { onceFor, standing } from "../book/index.ts";
import { FitCheck, factsOf, StepBack, StepDone } from "../facts/index.ts";
import type { Verdict } from "../judgement/index.ts";
import { FIT_CHECKS, WAYS_BACK, type WayBack } from "../order/index.ts";
import { balanceKey } from "./balance.ts";
import { stillOut } from "./still-out.ts";

/** A step that was done and leaves something to undo. */
export interface StepOff {
  step: string;
  back: WayBack;
  /** The line that said it was done. */
  entryId: string;
}

/** True where all that the step takes off was off and is on again, whoever wrote it in and wherever. */
function isAllBack(back: WayBack, moved: ReadonlySet<string>, out: ReadonlySet<string>): boolean {
  const keys = (back.takes ?? []).map(balanceKey);
  return keys.length > 0 && keys.some((key) => moved.has(key)) && keys.every((key) => !out.has(key));
}

/** The steps of the order of work that were done and are not undone yet, first done first. */
export const stepsOff = onceFor((entries): StepOff[] => {
  const undone = new Set(factsOf(entries, StepBack).map(({ fact }) => fact.done));
  const done = factsOf(entries, StepDone).filter(({ entry }) => !undone.has(entry.id));
  if (done.length === 0) return [];
  const out = new Set(stillOut(entries).map(balanceKey));
  const backIn = new Set(
    standing(entries)
      .filter(({ kind, in: back }) => kind === "movement" && (back ?? 0) > 0)
      .map(balanceKey),
  );
  return done.flatMap(({ fact: { step }, entry }) => {
    const back = Object.hasOwn(WAYS_BACK, step) ? WAYS_BACK[step] : undefined;
    return back && !isAllBack(back, backIn, out) ? [{ step, back, entryId: entry.id }] : [];
  });
});

/** What was last said of each check: right as its step went back, or looked at by itself. Not in it: not seen. */
export const fitVerdicts = onceFor((entries): ReadonlyMap<string, Verdict> => {
  const said = [
    ...factsOf(entries, StepBack).flatMap(({ fact: { seen }, entry }) =>
      seen.map((check) => ({ check, verdict: "pass" as const, order: entry.order })),
    ),
    ...factsOf(entries, FitCheck).map(({ fact, entry }) => ({ ...fact, order: entry.order })),
  ].sort((a, b) => a.order - b.order);
  return new Map(said.map(({ check, verdict }) => [check, verdict]));
});

/** What was looked at and isn't right, in words. */
export function wrongFits(entries: readonly Entry[]): string[] {
  const verdicts = fitVerdicts(entries);
  if (verdicts.size === 0) return [];
  return FIT_CHECKS.flatMap(({ checks }) => checks)
    .filter(({ id }) => verdicts.get(id) === "fail")
    .map(({ wrong }) => wrong);
}
