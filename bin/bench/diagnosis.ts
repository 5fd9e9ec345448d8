import { seededRandom } from "../../core/kernel/chance/index.ts";
import { coldFirst, withoutTried } from "../../core/stages/find/index.ts";
import { chanceModel, exactCents, followedCents } from "../../core/trade/diagnosis/exact-plan.fixture.ts";
import { nextActions, posterior } from "../../core/trade/diagnosis/index.ts";
import { CIRCUITS, modelOf, USUAL_RATES } from "../../core/trade/diagnosis/knowledge/index.ts";
import {
  inFixedOrder,
  planned,
  smallest,
  workMany,
} from "../../core/trade/diagnosis/virtual-shop.fixture.ts";
import { type Figure, medianMs } from "./measure.ts";

const CARS = 2000;
const SEED = 2031;
/** As Find offers it: what only a cold engine shows before the heat that spoils it. */
const asFind: typeof planned = (model, { evidence, ruledOut, heat }) => {
  const actions = nextActions(model, evidence, USUAL_RATES, ruledOut, { heat });
  const [first] = coldFirst(actions, model, withoutTried(posterior(model, evidence), ruledOut), heat);
  if (!first) throw new Error("nothing to do");
  return first;
};
const circuits = Object.values(CIRCUITS);

async function speed(): Promise<Figure[]> {
  const models = circuits.map((circuit) => ({ kind: circuit.kind, model: modelOf(circuit) }));
  const largest = models.reduce((most, each) =>
    each.model.hypotheses.length * each.model.tests.length >
    most.model.hypotheses.length * most.model.tests.length
      ? each
      : most,
  );
  const { kind, model } = largest;
  const coldFrom = performance.now();
  nextActions(model, [], USUAL_RATES);
  const cold = performance.now() - coldFrom;
  const measured = await medianMs(31, () => nextActions(model, [], USUAL_RATES));
  const from = `${model.hypotheses.length} faults, ${model.tests.length} tests, before any result`;
  return [
    { name: `next actions on the largest circuit, ${kind}`, measured, unit: "ms", wanted: 16, from },
    { name: "the same, the first time in a process", measured: cold, unit: "ms", wanted: 40 },
  ];
}

/** Every circuit cut down to what can be solved exactly, and networks by chance. */
function nearness(): Figure {
  const models = [
    ...circuits.map((circuit) => ({
      name: circuit.kind as string,
      model: smallest(circuit, { faults: 7, tests: 6 }),
    })),
    ...[1, 2].map((seed) => ({ name: `chance ${seed}`, model: chanceModel(seededRandom(seed)) })),
  ];
  const over = models.map(({ name, model }) => ({
    name,
    percent: 100 * (followedCents(model, USUAL_RATES) / exactCents(model, USUAL_RATES) - 1),
  }));
  return {
    name: "cost of following the plan over the exact optimum, the worst of nine networks",
    measured: Math.max(...over.map(({ percent }) => percent)),
    unit: "%",
    wanted: 5,
    from: over.map(({ name, percent }) => `${name} ${percent.toFixed(2)}`).join(", "),
  };
}

function virtualShop(): Figure[] {
  const ours = workMany(seededRandom(SEED), CARS, planned);
  const inFind = workMany(seededRandom(SEED), CARS, asFind);
  const fixed = workMany(seededRandom(SEED), CARS, inFixedOrder);
  const money = (cents: number) => (cents / 100).toFixed(2);
  return [
    {
      name: `right verdicts over ${CARS} virtual cars`,
      measured: 100 * ours.rightShare,
      unit: "%",
      wanted: 98,
      atLeast: true,
      from: `seed ${SEED}, engine state priced; first repair right in ${(100 * ours.firstRightShare).toFixed(1)} %, ${ours.meanTests.toFixed(1)} tests a car; fixed order: ${(100 * fixed.rightShare).toFixed(1)} %, ${fixed.meanTests.toFixed(1)} tests`,
    },
    {
      name: "mean cost below testing in the fixed order",
      measured: 100 * (1 - ours.meanCents / fixed.meanCents),
      unit: "%",
      wanted: 30,
      atLeast: true,
      from: `${money(ours.meanCents)} against ${money(fixed.meanCents)}`,
    },
    {
      name: "wrong verdicts on cars whose fault boils an engine",
      measured: ours.boiled,
      unit: "cars",
      wanted: 1,
      from: `fixed order: ${fixed.boiled}`,
    },
    {
      name: "nights that a cold test after a hot one costs",
      measured: ours.nightsShare,
      unit: "a car",
      wanted: 0.5,
      from: `fixed order: ${fixed.nightsShare.toFixed(2)}`,
    },
    {
      name: "the same as Find offers it, cold tests first",
      measured: inFind.nightsShare,
      unit: "a car",
      wanted: 0.15,
      from: `${(100 * inFind.rightShare).toFixed(1)} % right, ${inFind.meanTests.toFixed(1)} tests, ${money(inFind.meanCents)} a car`,
    },
  ];
}

export const benchDiagnosis = async (): Promise<Figure[]> => [
  ...(await speed()),
  nearness(),
  ...virtualShop(),
];
