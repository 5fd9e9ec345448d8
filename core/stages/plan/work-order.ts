import type { Entry } from "../../book/entry/index.ts";
import { lastFact, OrderOfWork } from "../../book/facts/index.ts";
import { stepsState } from "../../book/out/index.ts";
import { inOrder, readyNow, stepsFor, type WorkStep } from "../../trade/order/index.ts";

export interface WorkOrder {
  said: OrderOfWork;
  steps: WorkStep[];
  /** Ids of the steps that are done, with the lines that say so. */
  done: ReadonlyMap<string, string>;
  /** What may be done now, the next in the order first. */
  ready: WorkStep[];
  /** What was done and is back: it may be done again, and why it isn't any more. */
  again: { step: WorkStep; because: string }[];
  /** Steps whose clock runs still, with what they hold up: it may not be begun before. ISO 8601. */
  resting: { step: WorkStep; until: string; holds: WorkStep[] }[];
  /** What passes by itself meanwhile and holds nobody: a pan that fills. */
  passing: { step: WorkStep; until: string }[];
}

const MINUTE_MS = 60_000;

/**
 * The order in which a job is worked, as it was booked last, and how far it has come; nothing where none was. `now` in ISO 8601,
 * for the clocks that run; without it none does.
 */
export function workOrderOf(entries: readonly Entry[], now?: string): WorkOrder | undefined {
  const said = lastFact(entries, OrderOfWork)?.fact;
  if (!said) return undefined;
  const steps = inOrder(stepsFor(said.goal, said.features), said.order);
  const states = stepsState(entries);
  const done = new Map(states.map(({ step, entryId }) => [step, entryId]));
  const undone = new Map(
    states.filter(({ isDone }) => !isDone).map(({ step, because = "" }) => [step, because]),
  );
  const isUntrue = (id: string) => id === "cold" && undone.has(id);
  // What heat has undone stands in the way again; what was taken back on is offered apart.
  const standing = new Set([...done.keys()].filter((id) => !isUntrue(id)));
  const atOf = new Map(entries.map(({ id, at }) => [id, Date.parse(at)]));
  const running = (minutesOf: (step: WorkStep) => number) =>
    steps.flatMap((step) => {
      const from = standing.has(step.id) ? atOf.get(done.get(step.id) ?? "") : undefined;
      const untilMs = (from ?? Number.NEGATIVE_INFINITY) + minutesOf(step) * MINUTE_MS;
      return now !== undefined && untilMs > Date.parse(now)
        ? [{ step, until: new Date(untilMs).toISOString() }]
        : [];
    });
  const free = readyNow(steps, standing);
  const resting = running(({ restMinutes = 0 }) => restMinutes).map((each) => ({
    ...each,
    holds: free.filter(({ needs }) => needs.some(({ id }) => id === each.step.id)),
  }));
  const held = new Set(resting.flatMap(({ holds }) => holds.map(({ id }) => id)));
  return {
    said,
    steps,
    done: new Map([...done].filter(([id]) => standing.has(id))),
    ready: free.filter(({ id }) => !held.has(id)),
    resting,
    passing: running(({ waitMinutes, restMinutes }) => (restMinutes ? 0 : waitMinutes)),
    again: steps.flatMap((step) => {
      const because = isUntrue(step.id) ? undefined : undone.get(step.id);
      return because === undefined ? [] : [{ step, because }];
    }),
  };
}
