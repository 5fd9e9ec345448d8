import type { Model, Prior } from "../model/index.ts";
import { COOLANT_SIDE, hypothesisOf } from "./hypotheses.ts";
import type { Circuit, HypothesisKnowledge, TestKnowledge } from "./knowledge.ts";
import { BOILED_COMEBACK_CENTS } from "./rates.ts";
import { REPAIRS } from "./repairs.ts";
import { FEED_TESTS } from "./tests-feed.ts";
import { FLOW_TESTS } from "./tests-flow.ts";
import { LEAK_TESTS } from "./tests-leaks.ts";
import { SENSOR_TESTS } from "./tests-sensor.ts";
import { SWITCH_TESTS } from "./tests-switch.ts";

/** Tests that every car has, whatever starts its fan. */
const COOLANT_TESTS = [...LEAK_TESTS, ...FLOW_TESTS];
const TESTS = [...FEED_TESTS, ...SWITCH_TESTS, ...SENSOR_TESTS, ...COOLANT_TESTS];

/** A test as a car with two fans has it: that one of them ran is an outcome of its own. */
const withOneFan = (test: TestKnowledge): TestKnowledge =>
  test.oneFan
    ? {
        ...test,
        outcomes: [...test.outcomes, { id: test.oneFan.id, name: test.oneFan.name, verdict: "fail" }],
      }
    : test;

/** A test with every outcome it can have on any car. Throws `RangeError` for one that isn't known. */
export function testOf(id: string): TestKnowledge {
  const test = TESTS.find((each) => each.id === id);
  if (!test) throw new RangeError(`“${id}” is no test that is known here`);
  return withOneFan(test);
}

/** The faults a car with this circuit can have, "nothing wrong" among them: its components' and the coolant side's. */
export function hypothesesOf(circuit: Circuit): HypothesisKnowledge[] {
  const ids = new Set([...circuit.components.flatMap((component) => component.faults), ...COOLANT_SIDE]);
  return [...ids].map((id) => {
    const hypothesis = hypothesisOf(id);
    if (!hypothesis) throw new RangeError(`“${id}” sits in ${circuit.kind} and is no known fault`);
    return hypothesis;
  });
}

/** The tests that make sense on this circuit: its own, then those every car has. */
export function testsOf(circuit: Circuit): TestKnowledge[] {
  const tests = [
    ...circuit.tests.map(({ test }) => TESTS.find(({ id }) => id === test) ?? testOf(test)),
    ...COOLANT_TESTS,
  ];
  return circuit.perFan ? tests.map(withOneFan) : tests;
}

function baseRow(
  circuit: Circuit,
  test: TestKnowledge,
  fault: HypothesisKnowledge,
  isShared: boolean,
): readonly number[] {
  const sees = test.sees.filter(
    ({ faults, on }) => faults.includes(fault.id) && (!on || on.includes(circuit.kind)),
  );
  const seen = sees.find(({ on }) => on) ?? sees[0];
  if (seen && isShared) return seen.row;
  const path = circuit.tests.find((each) => each.test === test.id)?.path;
  const isOnPath = circuit.components.some(
    (component) => path?.includes(component.id) && component.faults.includes(fault.id),
  );
  return isShared && isOnPath && fault.breaks && test.broken ? test.broken : test.usual;
}

/** P(each outcome | a fault) on this circuit. */
export function rowOf(circuit: Circuit, test: TestKnowledge, fault: HypothesisKnowledge): readonly number[] {
  const { oneFan } = test;
  if (!circuit.perFan || !oneFan) return baseRow(circuit, test, fault, true);
  // What breaks in one fan's own branch leaves the other fan to do as it should.
  const isOwn =
    fault.breaks === true &&
    circuit.components.some(({ id, faults }) => circuit.perFan?.includes(id) && faults.includes(fault.id));
  const share = isOwn ? oneFan.seen : oneFan.else;
  return [...baseRow(circuit, test, fault, !isOwn).map((figure) => figure * (1 - share)), share];
}

export interface ModelChoices {
  /** In place of the handbook's weights: after Ask and the shop's history. Faults not named keep the handbook's. */
  weights?: readonly Prior[];
  /** Tests that can't be done here. */
  without?: readonly string[];
  /** What somebody who looked said of the level; until then no engine is warmed up, nor a low one before it was looked over. */
  level?: "line" | "low";
  /** True after an overheat: nobody is sold a radiator before a gas test and a pressure test. */
  isAfterRed?: boolean;
  /** Tests whose thing lies in the hand already, by what was done last: a look takes this much, minutes. */
  inHand?: Readonly<Record<string, number>>;
}

/** What comes before an engine is run hot, and before a radiator is sold after an overheat. */
const BEFORE_HEAT = { unknown: ["level", "look"], low: ["look", "pressure-test"], line: [] };
const AFTER_RED: Record<string, string[]> = { core: ["gas-test", "pressure-test"] };
/** "Nothing wrong" is handed back with its proof: a level, a look and a warm-up that was watched. */
const PROOF: Record<string, string[]> = { "hand-back": ["level", "look", "warm-up", "thermostat-watch"] };

/** The handbook's weights for a circuit. */
export const handbookPriors = (circuit: Circuit): Prior[] =>
  hypothesesOf(circuit).map(({ id, weight }) => ({ id, weight }));

const heats = ({ engine }: TestKnowledge) => engine === "heats" || engine === "hot";

type Likelihoods = Model["tests"][number]["outcomes"];
const likelihoods = new WeakMap<Circuit, Map<string, Likelihoods>>();

/** Each test's outcomes with how likely they are under every fault: the same for every model of a circuit, so kept. */
function likelihoodsOf(circuit: Circuit): Map<string, Likelihoods> {
  const kept = likelihoods.get(circuit);
  if (kept) return kept;
  const hypotheses = hypothesesOf(circuit);
  const made = new Map(
    testsOf(circuit).map((test): [string, Likelihoods] => {
      const rows = hypotheses.map((fault) => [fault.id, rowOf(circuit, test, fault)] as const);
      const outcomes = test.outcomes.map(({ id, name }, index) => ({
        id,
        name,
        given: Object.fromEntries(rows.map(([fault, row]) => [fault, row[index] ?? Number.NaN])),
      }));
      return [test.id, outcomes];
    }),
  );
  likelihoods.set(circuit, made);
  return made;
}

/** A circuit's knowledge as the plain model that the reckoning takes. Throws `RangeError` where the knowledge has a hole. */
export function modelOf(
  circuit: Circuit,
  { weights = [], without = [], level, isAfterRed = false, inHand = {} }: ModelChoices = {},
): Model {
  const hypotheses = hypothesesOf(circuit);
  const ids = new Set(hypotheses.map(({ id }) => id));
  const given = new Map(weights.map(({ id, weight }) => [id, weight]));
  const likely = likelihoodsOf(circuit);
  return {
    hypotheses: hypotheses.map(({ id, name, weight, boils }) => ({
      id,
      name,
      weight: given.get(id) ?? weight,
      ...(boils ? { comebackCents: BOILED_COMEBACK_CENTS } : {}),
    })),
    tests: testsOf(circuit)
      .filter((test) => !without.includes(test.id))
      .map((test) => ({
        id: test.id,
        name: test.name,
        minutes: Math.min(test.minutes, inHand[test.id] ?? test.minutes),
        ...(test.engine ? { engine: test.engine } : {}),
        ...(test.shares ? { shares: test.shares } : {}),
        ...(heats(test) ? { after: BEFORE_HEAT[level ?? "unknown"] } : {}),
        outcomes: likely.get(test.id) ?? [],
      })),
    repairs: REPAIRS.map(({ id, name, minutes, partsCents, fixes }) => ({
      id,
      name,
      minutes,
      partsCents,
      fixes: fixes.filter((fault) => ids.has(fault)),
      ...(isAfterRed && AFTER_RED[id] ? { after: AFTER_RED[id] } : {}),
      ...(PROOF[id] ? { after: PROOF[id] } : {}),
    })).filter(({ fixes }) => fixes.length > 0),
  };
}
