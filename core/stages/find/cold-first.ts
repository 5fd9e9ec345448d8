import type { Heat, NextAction } from "../../trade/diagnosis/index.ts";
import { USUAL_RATES } from "../../trade/diagnosis/knowledge/index.ts";
import { type Model, NOTHING_WRONG } from "../../trade/diagnosis/model/index.ts";

type Shares = Readonly<Record<string, number>>;
type Test = Model["tests"][number];

/** Less than that added to "nothing wrong" is not worth a cold engine. */
const LEAST_GAIN = 0.004;
/** A part that is boiled in a pot, or a long test under pressure, is never done on the way to a warm-up. */
const MOST_MINUTES = 10;
/** What a sound car shows most often. */
function soundOutcome({ outcomes }: Test): Test["outcomes"][number] | undefined {
  return outcomes.reduce<Test["outcomes"][number] | undefined>(
    (best, each) => ((each.given[NOTHING_WRONG] ?? 0) > (best?.given[NOTHING_WRONG] ?? 0) ? each : best),
    undefined,
  );
}

function afterSound(shares: Shares, test: Test): Shares {
  const sound = soundOutcome(test);
  if (!sound) return shares;
  const weights = Object.entries(shares).map(([id, share]) => [id, share * (sound.given[id] ?? 0)] as const);
  const total = weights.reduce((sum, [, weight]) => sum + weight, 0);
  return total > 0 ? Object.fromEntries(weights.map(([id, weight]) => [id, weight / total])) : shares;
}

const tests = (actions: readonly NextAction[], model: Model): Test[] =>
  actions.flatMap(({ kind, id }) => model.tests.find((each) => kind === "test" && each.id === id) ?? []);

const sureness = (shares: Shares) => shares[NOTHING_WRONG] ?? 0;

const isCold = ({ engine }: Test) => engine === "cold";
/** Begun cold, and hot after it: what is done hot spoils it as well. */
const isFromCold = ({ engine }: Test) => engine === "heats";

/** The tests of a kind that are left, by what each would add to "nothing wrong" once all others have come out sound; the most first. */
function gains(
  actions: readonly NextAction[],
  model: Model,
  shares: Shares,
  isOfKind: (test: Test) => boolean,
): { id: string; gain: number }[] {
  const left = tests(actions, model);
  let then = left.filter((test) => !isOfKind(test)).reduce(afterSound, shares);
  const cold = left.filter((test) => isOfKind(test));
  const told: { id: string; gain: number }[] = [];
  // One after the other: two tests of the same fault don't both add what each would alone.
  for (let turn = 0; turn < left.length && told.length < cold.length; turn++) {
    const open = cold.filter(({ id }) => !told.some((each) => each.id === id));
    const best = open
      .map((test) => ({ test, gain: sureness(afterSound(then, test)) - sureness(then) }))
      .reduce((most, each) => (each.gain > most.gain ? each : most));
    if (best.gain < LEAST_GAIN) break;
    told.push({ id: best.test.id, gain: best.gain });
    then = afterSound(then, best.test);
  }
  return told;
}

/** Asked cold a test costs its minutes; asked hot it costs a night, and it is wanted where the car is sound. */
const isWorthIt = (test: Test, shares: Shares) =>
  test.minutes <= Math.min(MOST_MINUTES, sureness(shares) * (USUAL_RATES.coolMinutes ?? 0));

/**
 * The actions with what only a cold engine shows before the heat that spoils it: where the next test would warm the engine, the
 * cold tests that "nothing wrong" would want in the end come first, and a warm-up that is watched before what is only done hot.
 * Heated first, they cost a night.
 */
export function coldFirst(
  actions: readonly NextAction[],
  model: Model,
  shares: Shares,
  heat: Heat,
): NextAction[] {
  const [best] = actions;
  const test = best && tests([best], model)[0];
  const isAlong = (id: string) => actions.some((action) => action.id === id && action.isAlong);
  if (!test || (test.engine !== "heats" && test.engine !== "hot") || heat === "hot") return [...actions];
  if (heat !== "cold" && isAlong(test.id)) return [...actions];
  const cold =
    heat === "cold" ? gains(actions, model, shares, (each) => isCold(each) && isWorthIt(each, shares)) : [];
  const fromCold =
    test.engine === "hot"
      ? gains(actions, model, shares, (each) => isFromCold(each) && (heat === "cold" || isAlong(each.id)))
      : [];
  const first = [...cold, ...fromCold].flatMap(
    ({ id }) => actions.find((action) => action.kind === "test" && action.id === id) ?? [],
  );
  return [...first, ...actions.filter((action) => !first.includes(action))];
}

/** The cold tests that "nothing wrong" still lacks, and how sure it would be with them; nothing where it lacks none. */
export function lacksCold(
  actions: readonly NextAction[],
  model: Model,
  shares: Shares,
): { tests: string[]; sure: number } | undefined {
  const wanted = gains(
    actions.filter(({ first }) => first === "cool"),
    model,
    shares,
    (test) => (isCold(test) && test.minutes <= MOST_MINUTES) || isFromCold(test),
  );
  if (wanted.length === 0) return undefined;
  const all = wanted.flatMap(({ id }) => model.tests.find((each) => each.id === id) ?? []);
  return { tests: wanted.map(({ id }) => id), sure: sureness(all.reduce(afterSound, shares)) };
}
