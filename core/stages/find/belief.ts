import type { Entry } from "../../book/entry/index.ts";
import { FanCircuit, factsOf, lastFact, TriedRepair } from "../../book/facts/index.ts";
import { posterior, proven, type Standing } from "../../trade/diagnosis/index.ts";
import {
  CIRCUIT_KINDS,
  CIRCUITS,
  type Circuit,
  type CircuitKind,
  type Hint,
  handbookPriors,
  isAfterRed,
  modelOf,
  UNSURE,
  weighAsked,
} from "../../trade/diagnosis/knowledge/index.ts";
import { countsOf, type History, learnPriors, type Model } from "../../trade/diagnosis/model/index.ts";
import { askedOf } from "./asked-of.ts";
import { type Cannot, cannotOf } from "./cannot.ts";
import { heatOf } from "./engine-now.ts";
import { levelOf, withoutRunningFan } from "./offered.ts";
import { type PlanQuestion, withoutTried } from "./plan.ts";
import { type Result, resultsOf } from "./results.ts";

export interface Suspect {
  id: string;
  name: string;
  share: number;
  /** Its share before the last result; the same where there is none. */
  before: number;
  /** How often this shop confirmed it on this kind of circuit, of how many confirmed verdicts. */
  inShop: { count: number; of: number };
}

/** What is believed, and from what: cheap to work out, so that it is worked out wherever it is shown. */
export interface Belief {
  circuit: Circuit;
  model: Model;
  results: Result[];
  /** Results that are evidence: sure ones, of tests that this circuit has. */
  evidence: { test: string; outcome: string }[];
  unsure: Result[];
  cannot: Cannot[];
  /** Repairs tried in vain: what they mend is ruled out. */
  tried: { repair: string; entryId: string; name: string }[];
  ruledOut: readonly string[];
  /** True where the level was found low: nobody runs the engine before it is topped up. */
  isLow: boolean;
  suspects: Suspect[];
  standings: Record<string, Standing>;
  /** What the plan is worked out from, the engine's heat included. */
  question: PlanQuestion;
}

/** The kind of circuit: what this job settled, else what the card says. */
export function circuitOf(
  entries: readonly Entry[],
  card: string | null | undefined,
): CircuitKind | undefined {
  const said = lastFact(entries, FanCircuit)?.fact.circuit ?? card;
  return CIRCUIT_KINDS.find((kind) => kind === said);
}

const triedOf = (entries: readonly Entry[]) =>
  factsOf(entries, TriedRepair).map(({ fact, entry }) => ({
    repair: fact.repair,
    entryId: entry.id,
    name: entry.item ?? fact.repair,
  }));

export interface FindContext {
  /** How often each hypothesis was confirmed in the shop's signed jobs on this kind of circuit. */
  history?: History;
  /** Where the card says the fan starts, low stage first, and what feels it. */
  fanOnC?: readonly number[];
  fanSenses?: "engine" | "radiator";
  /** What the shop's last job on this vehicle may have caused and what it proved, where there was one not long before. */
  comeback?: readonly Hint[];
  /** Tests that earlier jobs found impossible on this vehicle. */
  notOnThisCar?: readonly string[];
  /** ISO 8601; what holds until tomorrow or until it has cooled is held against it. */
  now?: string;
}

/**
 * What is believed after Ask, the shop's history and the results, by share, and how the map stands. Verdicts in the
 * history that this circuit no longer has are left out.
 */
export function beliefOf(
  entries: readonly Entry[],
  kind: CircuitKind,
  { history = [], fanOnC = [], fanSenses, comeback = [], notOnThisCar = [], now: at }: FindContext = {},
): Belief {
  const circuit = CIRCUITS[kind];
  const handbook = handbookPriors(circuit);
  const counts = countsOf(history);
  const confirmed = Object.fromEntries(handbook.map(({ id }) => [id, counts.get(id) ?? 0]));
  const confirmedJobs = Object.values(confirmed).reduce((sum, times) => sum + times, 0);
  const asked = askedOf(entries, comeback.length > 0);
  const weights = weighAsked(learnPriors(handbook, confirmed), asked, comeback);
  const results = resultsOf(entries, { fanOnC, fanSenses });
  const model = modelOf(circuit, { weights });
  const isHere = ({ test }: { test: string }) => model.tests.some(({ id }) => id === test);
  // A book outlives the knowledge it was written by: a result that is known no longer stays in it and is no evidence.
  // So does a result of another circuit: "one fan ran" is none where the car has but one.
  const canCome = ({ test, outcome }: { test: string; outcome: string }) =>
    outcome === UNSURE ||
    model.tests.some(({ id, outcomes }) => id === test && outcomes.some((each) => each.id === outcome));
  const known = results.filter((result) => isHere(result) && canCome(result));
  const unsure = known.filter(({ outcome }) => outcome === UNSURE);
  const evidence = known
    .filter(({ outcome }) => outcome !== UNSURE)
    .map(({ test, outcome }) => ({ test, outcome }));
  const cannot = cannotOf(entries, at).filter(
    (each) => isHere(each) && !known.some((result) => result.test === each.test),
  );
  const isDone = (id: string) => evidence.some(({ test }) => test === id);
  const withheld = [
    ...[...cannot, ...unsure].map(({ test }) => test),
    ...[...notOnThisCar, ...withoutRunningFan(evidence)].filter((id) => !isDone(id)),
  ];
  const tried = triedOf(entries);
  const ruledOut = [
    ...new Set(
      model.repairs
        .filter(({ id }) => tried.some(({ repair }) => repair === id))
        .flatMap(({ fixes }) => fixes),
    ),
  ];
  const left = (belief: Record<string, number>) => withoutTried(belief, ruledOut);
  const now = left(posterior(model, evidence));
  const before = left(posterior(model, evidence.slice(0, -1)));
  const level = levelOf(asked, evidence);
  return {
    circuit,
    model,
    results: known,
    evidence,
    unsure,
    cannot,
    tried,
    ruledOut,
    isLow: level === "low",
    suspects: model.hypotheses
      .map(({ id, name = id }) => ({
        id,
        name,
        share: now[id] ?? 0,
        before: before[id] ?? 0,
        inShop: { count: confirmed[id] ?? 0, of: confirmedJobs },
      }))
      .sort((a, b) => b.share - a.share),
    standings: proven(circuit, evidence),
    question: {
      kind,
      weights,
      evidence,
      withheld,
      ...(level ? { level } : {}),
      isAfterRed: isAfterRed(asked, evidence),
      heat: heatOf(entries, at),
      ruledOut,
    },
  };
}
