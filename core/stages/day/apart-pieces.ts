import type { Stage } from "../../book/entry/index.ts";
import { WAYS_BACK, type WorkStep } from "../../trade/order/index.ts";
import type { Chain } from "./piece.ts";

/** So much is done in one go; longer, somebody else's car waits too long for a hand. */
const LONGEST_MINUTES = 50;

interface Go {
  id: string;
  steps: WorkStep[];
  people: 1 | 2;
}

const minutesOf = (steps: readonly WorkStep[]) => steps.reduce((sum, { minutes }) => sum + minutes, 0);
const passes = ({ waitMinutes, restMinutes = 0 }: WorkStep) => Math.max(waitMinutes, restMinutes);
const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** Steps in their order as they are done in one go: so long at most, by as many hands, and none behind a clock that it starts. */
function goesOf(steps: readonly WorkStep[], stage: Stage): Go[] {
  const goes: Go[] = [];
  let isShut = true;
  for (const step of steps) {
    const last = goes.at(-1);
    const fits =
      !isShut &&
      last !== undefined &&
      last.people === step.people &&
      passes(step) === 0 &&
      minutesOf(last.steps) + step.minutes <= LONGEST_MINUTES;
    if (fits) last.steps.push(step);
    else goes.push({ id: `${stage}:${step.id}`, steps: [step], people: step.people });
    isShut = passes(step) > 0;
  }
  return goes;
}

const wordsOf = (steps: readonly WorkStep[]) =>
  steps.map(({ name }, index) => (index === 0 ? name : lowerFirst(name))).join(", ");

/** Taking apart what is left of an order of work; what drains or discharges by itself holds up only what needs it. */
export function stripPieces(
  chain: Chain,
  order: readonly WorkStep[],
  isDone: (step: string) => boolean,
  notBefore?: { at: string; words: string },
): void {
  const isRaised = order.some(({ id }) => id === "stands");
  const goOf = new Map<string, { id: string; rests: boolean }>();
  let first = notBefore;
  for (const { id, steps, people } of goesOf(order, "strip")) {
    const left = steps.filter((step) => !isDone(step.id));
    const [only] = steps;
    const rest = only && passes(only) > 0 ? passes(only) : 0;
    for (const step of steps) goOf.set(step.id, { id, rests: rest > 0 && left.length > 0 });
    if (left.length === 0) continue;
    const needed = left.flatMap(({ needs }) =>
      needs.flatMap((need) => {
        const go = goOf.get(need.id);
        return go?.rests && go.id !== id ? [go.id] : [];
      }),
    );
    const piece = {
      id,
      stage: "strip" as const,
      what: wordsOf(left),
      minutes: minutesOf(left),
      people,
      ...(isRaised && { isRaised: true as const }),
      ...(first && { notBefore: first }),
      ...(rest > 0 && {
        rest: { minutes: rest, words: only?.id === "drain" ? "it drains" : "it stands off its battery" },
      }),
    };
    first = undefined;
    if (rest > 0) chain.putBeside(piece);
    else chain.add(piece, needed);
  }
  chain.join();
}

/** Putting back what is off, last off first; `isOff` of a step that was done, or will be before. */
export function buildPieces(
  chain: Chain,
  order: readonly WorkStep[],
  isOff: (step: string) => boolean,
): void {
  const isRaised = order.some(({ id }) => id === "stands");
  // Nothing passes by itself on the way back, and what leaves nothing to undo isn't on it.
  const steps = [...order].reverse().flatMap((step): WorkStep[] => {
    const way = WAYS_BACK[step.id];
    return way ? [{ ...step, name: way.name, waitMinutes: 0, restMinutes: 0 }] : [];
  });
  for (const { id, steps: go, people } of goesOf(steps, "build")) {
    const left = go.filter((step) => isOff(step.id));
    if (left.length === 0) continue;
    chain.add({
      id,
      stage: "build",
      what: wordsOf(left),
      minutes: minutesOf(left),
      people,
      ...(isRaised && { isRaised: true as const }),
    });
  }
}
