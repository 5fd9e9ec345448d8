import { picked } from "../../kernel/chance/index.ts";
import { type Heat, heatAfter, heatedCents } from "./engine.ts";
import {
  BOILS,
  CIRCUITS,
  type Circuit,
  handbookPriors,
  hypothesisOf,
  modelOf,
  TROUBLES,
  type Trouble,
  troubleGiven,
  USUAL_RATES,
  VERDICT_BELIEF,
  weighAsked,
} from "./knowledge/index.ts";
import { type Evidence, HAND_BACK, type Model, type ModelRepair } from "./model/index.ts";
import { toNetwork } from "./network.ts";
import { nextActions } from "./next-actions.ts";
import { posterior } from "./posterior.ts";

type Random = () => number;

/** A car with a hidden fault, its complaint as an owner would tell it, and what is believed of it then. */
export function virtualCar(random: Random, circuit: Circuit) {
  const priors = handbookPriors(circuit);
  const truth = picked(random, priors, ({ weight }) => weight).id;
  const pattern = hypothesisOf(truth)?.shows ?? "sound";
  const trouble = picked(random, Object.keys(TROUBLES) as Trouble[], (each) => troubleGiven(each, pattern));
  return {
    circuit,
    truth,
    model: modelOf(circuit, { weights: weighAsked(priors, { troubles: [trouble] }) }),
  };
}

type State = { evidence: Evidence; ruledOut: string[]; heat: Heat };
/** What a way of working does next: a test or a repair of the model. */
export type Way = (model: Model, state: State, circuit: Circuit) => { kind: "test" | "repair"; id: string };

/** The order in which the trade's handbook lists its tests, cheapest first as it says, what wants a cold engine before heat. */
const FIXED_ORDER = [
  "look level oil-look strength fins belt fan-cold plugs socket-look live-cold",
  "ac-on fuses jumper jumper-low jumper-high manual-trigger ground-command unplug-sensor command",
  "feed-motor paper relay-swap relay-socket coil-volts motor-draw duty wire-through ac-unplug switch-unplug",
  "ground-drop feed-drop stamp sensor-ohms cap-test pressure-test",
  "warm-up thermostat-watch bubbles heater heater-pipes gauge clutch-spin live-hot switch-hot",
  "core-hot hose-revs flow-revs gas-test switch-pot thermostat-pot",
]
  .join(" ")
  .split(" ");

const beliefIn = (repair: ModelRepair, belief: Record<string, number>, ruledOut: readonly string[]) => {
  const left = Object.entries(belief).filter(([id]) => !ruledOut.includes(id));
  const total = left.reduce((sum, [, share]) => sum + share, 0);
  return left.reduce((sum, [id, share]) => sum + (repair.fixes.includes(id) ? share : 0), 0) / total;
};

export const planned: Way = (model, { evidence, ruledOut, heat }) => {
  const [first] = nextActions(model, evidence, USUAL_RATES, ruledOut, { heat });
  if (!first) throw new Error("nothing to do");
  return first;
};

/** Tests in the fixed order until one repair's belief is enough or none is left; then repairs, likeliest first. */
export const inFixedOrder: Way = (model, { evidence, ruledOut }) => {
  const belief = posterior(model, evidence);
  const ranked = model.repairs
    .map((repair) => ({ repair, share: beliefIn(repair, belief, ruledOut) }))
    .sort((a, b) => b.share - a.share);
  const [best] = ranked;
  if (!best) throw new Error("nothing to do");
  const next = FIXED_ORDER.find(
    (id) => model.tests.some((test) => test.id === id) && !evidence.some(({ test }) => test === id),
  );
  if (best.share < VERDICT_BELIEF && next) return { kind: "test", id: next };
  return { kind: "repair", id: best.repair.id };
};

/**
 * Works a car to its end. The verdict is the first repair done in full belief, a hand-back, or what a trial repair's
 * recheck confirmed.
 */
export function work(random: Random, car: ReturnType<typeof virtualCar>, way: Way) {
  const { model, truth, circuit } = car;
  const evidence: { test: string; outcome: string }[] = [];
  const ruledOut: string[] = [];
  const network = toNetwork(model, USUAL_RATES);
  const { comebackCents = USUAL_RATES.comebackCents } = model.hypotheses.find(({ id }) => id === truth) ?? {};
  let heat: Heat = "cold";
  let nights = 0;
  let isBoiled = false;
  let wrongAs: string | undefined;
  let cents = 0;
  let verdict: boolean | undefined;
  let firstRepair: boolean | undefined;
  for (;;) {
    const next = way(model, { evidence, ruledOut, heat }, circuit);
    if (next.kind === "test") {
      const test = model.tests.find(({ id }) => id === next.id);
      if (!test) throw new Error(`no test ${next.id}`);
      const place = model.tests.indexOf(test);
      const price = heatedCents(network, place, heat);
      if (price > (network.tests[place]?.cents ?? 0) && network.tests[place]?.need !== "hot") nights++;
      cents += price;
      heat = heatAfter(network, place, heat);
      evidence.push({
        test: test.id,
        outcome: picked(random, test.outcomes, ({ given }) => given[truth] ?? 0).id,
      });
      continue;
    }
    const repair = model.repairs.find(({ id }) => id === next.id);
    if (!repair) throw new Error(`no repair ${next.id}`);
    const isHandBack = repair.id === HAND_BACK;
    const isRight = repair.fixes.includes(truth);
    const isSure = isHandBack || beliefIn(repair, posterior(model, evidence), ruledOut) >= VERDICT_BELIEF;
    firstRepair ??= isRight;
    if (isSure || isRight) {
      if (verdict === undefined && !isRight && BOILS.includes(truth))
        isBoiled = repair.id === "switch" || isHandBack;
      if (verdict === undefined && !isRight) wrongAs = repair.id;
      verdict ??= isRight;
    }
    heat = "hot";
    cents += isHandBack
      ? repair.minutes * USUAL_RATES.centsPerMinute + (isRight ? 0 : comebackCents)
      : (repair.minutes + USUAL_RATES.recheckMinutes) * USUAL_RATES.centsPerMinute + repair.partsCents;
    if (isRight)
      return {
        cents,
        isRight: verdict ?? true,
        isFirstRight: firstRepair,
        tests: evidence.length,
        nights,
        isBoiled,
        wrongAs,
      };
    ruledOut.push(...repair.fixes);
  }
}

/** So many cars over all circuits, worked one way. */
export function workMany(random: Random, cars: number, way: Way) {
  const circuits = Object.values(CIRCUITS);
  const results = Array.from({ length: cars }, (_, index) =>
    work(random, virtualCar(random, circuits[index % circuits.length] as Circuit), way),
  );
  const share = (count: number) => count / cars;
  return {
    rightShare: share(results.filter(({ isRight }) => isRight).length),
    firstRightShare: share(results.filter(({ isFirstRight }) => isFirstRight).length),
    meanCents: share(results.reduce((sum, { cents }) => sum + cents, 0)),
    boiled: results.filter(({ isBoiled }) => isBoiled).length,
    nightsShare: share(results.reduce((sum, { nights }) => sum + nights, 0)),
    meanTests: share(results.reduce((sum, { tests }) => sum + tests, 0)),
  };
}

/** A circuit cut down to its likeliest faults and the tests that tell most of them apart, small enough to solve exactly. */
export function smallest(circuit: Circuit, { faults = 9, tests = 8 } = {}): Model {
  const model = modelOf(circuit);
  const hypotheses = [...model.hypotheses].sort((a, b) => b.weight - a.weight).slice(0, faults);
  const tellsMuch = (test: Model["tests"][number]) =>
    test.outcomes.reduce((sum, { given }) => {
      const figures = hypotheses.map(({ id }) => given[id] ?? 0);
      const mean = figures.reduce((total, figure) => total + figure, 0) / figures.length;
      return sum + figures.reduce((total, figure) => total + Math.abs(figure - mean), 0);
    }, 0) / Math.sqrt(test.minutes);
  return {
    hypotheses,
    tests: [...model.tests].sort((a, b) => tellsMuch(b) - tellsMuch(a)).slice(0, tests),
    repairs: model.repairs
      .map((repair) => ({
        ...repair,
        fixes: repair.fixes.filter((id) => hypotheses.some((each) => each.id === id)),
      }))
      .filter(({ fixes }) => fixes.length > 0),
  };
}
