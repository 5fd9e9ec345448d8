import { factsOf, lastFact, OrderOfWork, StepDone } from "../facts/index.ts";
import type { Entry } from "../ledger/index.ts";
import { inOrder, readyNow, stepsFor, type WorkStep } from "../order/index.ts";

export interface WorkOrder {
  said: OrderOfWork;
  steps: WorkStep[];
  /** Ids of the steps that are done, with the lines that say so. */
  done: ReadonlyMap<string, string>;
  /** What may be done now, the next in the order first. */
  ready: WorkStep[];
}

/** The order in which a job is worked, as it was booked last, and how far it has come; nothing where none was. */
export function workOrderOf(entries: readonly Entry[]): WorkOrder | undefined {
  const said = lastFact(entries, OrderOfWork)?.fact;
  if (!said) return undefined;
  const steps = inOrder(stepsFor(said.goal, said.features), said.order);
  const done = new Map(factsOf(entries, StepDone).map(({ fact, entry }) => [fact.step, entry.id]));
  return { said, steps, done, ready: readyNow(steps, new Set(done.keys())) };
}
