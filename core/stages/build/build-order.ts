import { type Entry } from "../../book/entry/index.ts";
import { lastFact, OrderOfWork } from "../../book/facts/index.ts";
import { fitVerdicts, type StepOff, stepsOff } from "../../book/out/index.ts";
import { backNow, FEATURES, inOrder, stepsFor } from "../../trade/order/index.ts";

/** A step to undo, with what is to be looked at and what it waits for. */
export interface BackStep extends StepOff {
  /** What stands in its way, in words; advice, it holds nobody. */
  waitsFor: string[];
  /** What is to be seen first, where nothing else stands in its way and nothing else can go back either. */
  seeFirst?: string[];
}

export interface BuildOrder {
  /** What can go back now, last off first. */
  now: BackStep[];
  waits: BackStep[];
}

/**
 * The order of work turned round: of the steps that were done and aren't undone, what can go back now, and what waits for
 * what. Empty where no step was done.
 */
export function buildOrder(entries: readonly Entry[]): BuildOrder {
  const off = new Map(stepsOff(entries).map((each) => [each.step, each]));
  if (off.size === 0) return { now: [], waits: [] };
  const said = lastFact(entries, OrderOfWork)?.fact;
  // The whole graph, whatever the last order says that the car has: what holds what up doesn't change with it.
  const steps = inOrder(stepsFor("radiator", FEATURES), said?.order ?? []);
  const { waits } = backNow(steps, new Set(off.keys()));
  const holders = new Map(waits.map(({ step, for: holding }) => [step.id, holding.map(({ id }) => id)]));
  const verdicts = fitVerdicts(entries);
  const place = new Map(steps.map(({ id }, index) => [id, index]));
  const all = [...off.values()]
    // A step that a later order leaves out is still to be undone, first of all.
    .sort((a, b) => (place.get(b.step) ?? steps.length) - (place.get(a.step) ?? steps.length))
    .map((each) => {
      const held = (holders.get(each.step) ?? []).flatMap((id) => off.get(id)?.back.open ?? []);
      const unseen = (each.back.after ?? [])
        .filter(({ check, or }) => verdicts.get(check) !== "pass" && (!or || verdicts.get(or) !== "pass"))
        .map(({ because }) => because);
      const step: BackStep = { ...each, waitsFor: [...held, ...unseen] };
      return { step, held, unseen };
    });
  const isNow = ({ step }: (typeof all)[number]) => step.waitsFor.length === 0;
  // Where everything waits, what waits only to be looked at is next: nobody is left with nothing to do.
  const next = all.some(isNow) ? [] : all.filter(({ held }) => held.length === 0);
  return {
    now: all.flatMap((each) =>
      next.includes(each)
        ? [{ ...each.step, waitsFor: [], seeFirst: each.unseen }]
        : isNow(each)
          ? [each.step]
          : [],
    ),
    waits: all.filter((each) => !isNow(each) && !next.includes(each)).map(({ step }) => step),
  };
}
