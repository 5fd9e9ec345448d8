import { checkModel } from "../model/index.ts";
import { hypothesesOf, modelOf, rowOf, testsOf } from "./build-model.ts";
import { CAUTIONS } from "./hazards.ts";
import type { Circuit, TestKnowledge } from "./knowledge.ts";

/** Two faults are told apart by a test whose outcomes differ by at least this share between them. */
const TELLS_APART = 0.5;

/** Needs that bring a hazard with them, which the test must then name. */
const NEEDS_HAZARD: [need: RegExp, hazard: keyof typeof CAUTIONS][] = [
  [/engine running|engine from cold/, "engine running"],
  [/fused (jumper|lead)/, "live feed"],
  [/pressure tester|gas test/, "pressure"],
  [/catch pan/, "poison"],
];

/** Pairs of faults that no single test on this circuit tells apart: they need exclusion, or a repair that mends both. */
export function notToldApart(circuit: Circuit): [string, string][] {
  const faults = hypothesesOf(circuit);
  const tests = testsOf(circuit);
  const pairs: [string, string][] = [];
  for (const [index, a] of faults.entries()) {
    for (const b of faults.slice(index + 1)) {
      const isTold = tests.some((test) => {
        const [first, second] = [rowOf(circuit, test, a), rowOf(circuit, test, b)];
        const apart = first.reduce((sum, figure, k) => sum + Math.abs(figure - (second[k] ?? 0)), 0) / 2;
        return apart >= TELLS_APART;
      });
      if (!isTold) pairs.push([a.id, b.id]);
    }
  }
  return pairs;
}

function testTroubles(test: TestKnowledge): string[] {
  const troubles: string[] = [];
  const outcomes = test.outcomes.filter(({ id }) => id !== test.oneFan?.id).length;
  const rows = [test.usual, ...(test.broken ? [test.broken] : []), ...test.sees.map(({ row }) => row)];
  for (const row of rows) {
    const sum = row.reduce((total, figure) => total + figure, 0);
    if (row.length !== outcomes)
      troubles.push(`${test.id}: a row has ${row.length} figures for ${outcomes} outcomes`);
    if (Math.abs(sum - 1) > 1e-9) troubles.push(`${test.id}: a row adds up to ${sum}`);
    if (row.some((figure) => figure <= 0)) troubles.push(`${test.id}: an outcome is called impossible`);
  }
  const reasons = [
    test.usualReason,
    ...(test.broken ? [test.brokenReason] : []),
    ...test.sees.map(({ reason }) => reason),
  ];
  if (reasons.some((reason) => !reason)) troubles.push(`${test.id}: a figure has no reason`);
  for (const [need, hazard] of NEEDS_HAZARD) {
    if (test.needs.some((each) => need.test(each)) && !test.hazards.includes(hazard))
      troubles.push(`${test.id} needs ${need.source} and does not caution: ${CAUTIONS[hazard]}`);
  }
  return troubles;
}

function circuitTroubles(circuit: Circuit): string[] {
  const ids = circuit.components.map((component) => component.id);
  const unknown = [
    ...circuit.feeds.flat(),
    ...circuit.commands.flat(),
    ...circuit.tests.flatMap(({ path = [], probes = [] }) => [...path, ...probes]),
  ].filter((id) => !ids.includes(id));
  const troubles = unknown.map((id) => `${circuit.kind}: “${id}” is no component of it`);
  if (circuit.feeds.length === 0)
    troubles.push(`${circuit.kind}: nothing feeds the fan; a circuit goes from its feed to ground`);
  return troubles;
}

/** Everything wrong with a circuit's knowledge, one sentence each; empty where it is sound. */
export function checkKnowledge(circuit: Circuit): string[] {
  const troubles = [...circuitTroubles(circuit), ...testsOf(circuit).flatMap(testTroubles)];
  try {
    checkModel(modelOf(circuit));
  } catch (error) {
    troubles.push(`${circuit.kind}: ${error instanceof Error ? error.message : error}`);
  }
  return troubles;
}
