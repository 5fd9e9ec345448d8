import type { Prior } from "../learn-priors.ts";
import type { Model } from "../model.ts";
import { COOLANT_SIDE, hypothesisOf } from "./hypotheses.ts";
import type { Circuit, HypothesisKnowledge, TestKnowledge } from "./knowledge.ts";
import { REPAIRS } from "./repairs.ts";
import { FEED_TESTS } from "./tests-feed.ts";
import { FLOW_TESTS } from "./tests-flow.ts";
import { LEAK_TESTS } from "./tests-leaks.ts";
import { SENSOR_TESTS } from "./tests-sensor.ts";
import { SWITCH_TESTS } from "./tests-switch.ts";

/** Tests that every car has, whatever starts its fan. */
const COOLANT_TESTS = [...LEAK_TESTS, ...FLOW_TESTS];
const TESTS = [...FEED_TESTS, ...SWITCH_TESTS, ...SENSOR_TESTS, ...COOLANT_TESTS];

export function testOf(id: string): TestKnowledge {
  const test = TESTS.find((each) => each.id === id);
  if (!test) throw new RangeError(`“${id}” is no test that is known here`);
  return test;
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
export const testsOf = (circuit: Circuit): TestKnowledge[] => [
  ...circuit.tests.map(({ test }) => testOf(test)),
  ...COOLANT_TESTS,
];

/** P(each outcome | a fault) on this circuit. */
export function rowOf(circuit: Circuit, test: TestKnowledge, fault: HypothesisKnowledge): readonly number[] {
  const seen = test.sees.find(({ faults }) => faults.includes(fault.id));
  if (seen) return seen.row;
  const path = circuit.tests.find((each) => each.test === test.id)?.path;
  const isOnPath = circuit.components.some(
    (component) => path?.includes(component.id) && component.faults.includes(fault.id),
  );
  return isOnPath && fault.breaks && test.broken ? test.broken : test.usual;
}

export interface ModelChoices {
  /** In place of the handbook's weights: after Ask and the shop's history. Faults not named keep the handbook's. */
  weights?: readonly Prior[];
  /** Tests that can't be done here. */
  without?: readonly string[];
}

/** The handbook's weights for a circuit. */
export const handbookPriors = (circuit: Circuit): Prior[] =>
  hypothesesOf(circuit).map(({ id, weight }) => ({ id, weight }));

/** A circuit's knowledge as the plain model that the reckoning takes. Throws `RangeError` where the knowledge has a hole. */
export function modelOf(circuit: Circuit, { weights = [], without = [] }: ModelChoices = {}): Model {
  const hypotheses = hypothesesOf(circuit);
  const weightOf = (fault: HypothesisKnowledge) =>
    weights.find(({ id }) => id === fault.id)?.weight ?? fault.weight;
  return {
    hypotheses: hypotheses.map((fault) => ({ id: fault.id, name: fault.name, weight: weightOf(fault) })),
    tests: testsOf(circuit)
      .filter((test) => !without.includes(test.id))
      .map((test) => {
        const rows = hypotheses.map((fault) => [fault.id, rowOf(circuit, test, fault)] as const);
        return {
          id: test.id,
          name: test.name,
          minutes: test.minutes,
          outcomes: test.outcomes.map(({ id, name }, index) => ({
            id,
            name,
            given: Object.fromEntries(rows.map(([fault, row]) => [fault, row[index] ?? Number.NaN])),
          })),
        };
      }),
    repairs: REPAIRS.map(({ id, name, minutes, partsCents, fixes }) => ({
      id,
      name,
      minutes,
      partsCents,
      fixes: fixes.filter((fault) => hypotheses.some((hypothesis) => hypothesis.id === fault)),
    })).filter(({ fixes }) => fixes.length > 0),
  };
}
