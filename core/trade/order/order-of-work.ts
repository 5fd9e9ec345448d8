import { hoursAndMinutes } from "../../kernel/days/index.ts";
import type { Feature, Goal, WorkStep } from "./step.ts";
import { KNOWN_STEPS } from "./steps.ts";

const byId = (steps: readonly WorkStep[]) => new Map(steps.map((step) => [step.id, step]));

/** The steps of a job on a vehicle with these features, each after all that it needs. */
export function stepsFor(goal: Goal, features: readonly Feature[]): WorkStep[] {
  const has = new Set(features);
  const steps = KNOWN_STEPS.filter(
    ({ goals, only }) => goals.includes(goal) && (!only || only.some((feature) => has.has(feature))),
  );
  const ids = new Set(steps.map(({ id }) => id));
  return sorted(
    steps.map(
      ({
        id,
        name,
        why,
        needs,
        minutes,
        waitMinutes = 0,
        people = 1,
        tools = [],
        caution,
        isCold,
        rests,
      }): WorkStep => ({
        id,
        name,
        why,
        needs: needs.filter((need) => ids.has(need.id)),
        minutes,
        waitMinutes: rests && has.has(rests.only) ? rests.minutes : waitMinutes,
        ...(rests && has.has(rests.only) ? { restMinutes: rests.minutes } : {}),
        people,
        tools,
        ...(caution ? { caution } : {}),
        ...(isCold ? { isCold } : {}),
      }),
    ),
  );
}

/**
 * Steps so that each comes after all that it needs, else in the order in which they are given. Throws `RangeError`,
 * naming them, where some wait for each other in a circle.
 */
export function sorted(steps: readonly WorkStep[]): WorkStep[] {
  const known = byId(steps);
  const done = new Set<string>();
  const order: WorkStep[] = [];
  let rest = [...steps];
  while (rest.length > 0) {
    const next = rest.find(({ needs }) => needs.every(({ id }) => done.has(id) || !known.has(id)));
    if (!next)
      throw new RangeError(
        `These wait for each other, and none can be first: ${rest.map(({ name }) => name).join(", ")}.`,
      );
    order.push(next);
    done.add(next.id);
    rest = rest.filter((step) => step !== next);
  }
  return order;
}

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** Why an order of steps can't work, in one sentence; nothing where it can. */
export function orderTrouble(order: readonly WorkStep[]): string | undefined {
  const known = byId(order);
  const done = new Set<string>();
  for (const { id, name, needs } of order) {
    const missing = needs.find((need) => known.has(need.id) && !done.has(need.id));
    if (missing)
      return `“${name}” has to wait for “${lowerFirst(known.get(missing.id)?.name ?? missing.id)}”: ${missing.because}.`;
    done.add(id);
  }
  return undefined;
}

/** One step moved to another place, counted from 0, or why that can't work. */
export function moved(
  order: readonly WorkStep[],
  id: string,
  to: number,
): { order: WorkStep[] } | { refused: string } {
  const step = order.find((each) => each.id === id);
  if (!step || !Number.isInteger(to) || to < 0 || to >= order.length)
    throw new RangeError(`There is no step “${id}” to put at place ${to + 1} of ${order.length}.`);
  const next = order.filter((each) => each !== step);
  next.splice(to, 0, step);
  const refused = orderTrouble(next);
  return refused ? { refused } : { order: next };
}

/** Steps as a person put them, by their ids; any that are new stand where they have to, unknown ones are left out. */
export function inOrder(steps: readonly WorkStep[], ids: readonly string[]): WorkStep[] {
  const place = new Map(ids.map((id, index) => [id, index]));
  const at = (step: WorkStep) => place.get(step.id) ?? ids.length;
  return sorted([...steps].sort((a, b) => at(a) - at(b)));
}

/** What can be done now: everything that it needs is done. */
export const readyNow = (order: readonly WorkStep[], done: ReadonlySet<string>): WorkStep[] => {
  const known = byId(order);
  return order.filter(
    ({ id, needs }) => !done.has(id) && needs.every((need) => done.has(need.id) || !known.has(need.id)),
  );
};

/**
 * The graph turned round, for putting back: what can go back now, and for each that can't what has to be back before it.
 * `off` are the steps that were done and aren't undone yet.
 */
export function backNow(
  order: readonly WorkStep[],
  off: ReadonlySet<string>,
): { now: WorkStep[]; waits: { step: WorkStep; for: WorkStep[] }[] } {
  const open = order.filter(({ id }) => off.has(id));
  const holders = (step: WorkStep) => open.filter(({ needs }) => needs.some(({ id }) => id === step.id));
  const reversed = [...open].reverse();
  return {
    now: reversed.filter((step) => holders(step).length === 0),
    waits: reversed.map((step) => ({ step, for: holders(step) })).filter((each) => each.for.length > 0),
  };
}

/** How long it takes: hands on it, and what passes by itself, minutes. */
export function timeOf(order: readonly WorkStep[]): { workMinutes: number; waitMinutes: number } {
  return {
    workMinutes: order.reduce((sum, { minutes }) => sum + minutes, 0),
    waitMinutes: order.reduce((sum, { waitMinutes }) => sum + waitMinutes, 0),
  };
}

/** The same in words: "1 h 10 min of work, 15 min of waiting". */
export function timeWords(order: readonly WorkStep[]): string {
  const { workMinutes, waitMinutes } = timeOf(order);
  return [
    `${hoursAndMinutes(workMinutes)} of work`,
    waitMinutes > 0 ? `${hoursAndMinutes(waitMinutes)} of waiting` : "",
  ]
    .filter(Boolean)
    .join(", ");
}
