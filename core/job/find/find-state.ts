import {
  type Conflict,
  conflict,
  countsOf,
  type History,
  learnPriors,
  type Model,
  type NextAction,
  nextActions,
  posterior,
  proven,
  type Standing,
} from "../../diagnosis/index.ts";
import {
  CIRCUIT_KINDS,
  CIRCUITS,
  type Circuit,
  type CircuitKind,
  handbookPriors,
  isOutcome,
  modelOf,
  UNSURE,
  USUAL_RATES,
  weighAsked,
} from "../../diagnosis/knowledge/index.ts";
import { FanCircuit, lastFact } from "../../facts/index.ts";
import type { Entry } from "../../ledger/index.ts";
import { askedOf } from "./asked-of.ts";
import { cannotOf, type Result, resultsOf } from "./results.ts";

export interface Suspect {
  id: string;
  name: string;
  share: number;
  /** Its share before the last result; the same where there is none. */
  before: number;
  /** How often this shop confirmed it on this kind of circuit, of how many confirmed verdicts. */
  inShop: { count: number; of: number };
}

export interface FindState {
  circuit: Circuit;
  model: Model;
  results: Result[];
  /** Results that are evidence: sure ones, of tests that this circuit has. */
  evidence: { test: string; outcome: string }[];
  unsure: Result[];
  cannot: { test: string; entryId: string; because: string }[];
  suspects: Suspect[];
  actions: NextAction[];
  standings: Record<string, Standing>;
  conflict: Conflict | undefined;
}

/** The kind of circuit: what this job settled, else what the card says. */
export function circuitOf(
  entries: readonly Entry[],
  card: string | null | undefined,
): CircuitKind | undefined {
  const said = lastFact(entries, FanCircuit)?.fact.circuit ?? card;
  return CIRCUIT_KINDS.find((kind) => kind === said);
}

export interface FindContext {
  /** How often each hypothesis was confirmed in the shop's signed jobs on this kind of circuit. */
  history?: History;
  /** Where the card says the fan starts, low stage first, and what feels it. */
  fanOnC?: readonly number[];
  fanSenses?: "engine" | "radiator";
  /** True where the shop's own books have work on this vehicle not long before. */
  isAfterWork?: boolean;
}

/**
 * All that Find shows, worked out from the book: belief after Ask, the shop's history and the results, what to do next,
 * the map. Verdicts in the history that this circuit no longer has are left out. The same in the browser and on the
 * server.
 */
export function findState(
  entries: readonly Entry[],
  kind: CircuitKind,
  { history = [], fanOnC = [], fanSenses, isAfterWork = false }: FindContext = {},
): FindState {
  const circuit = CIRCUITS[kind];
  const handbook = handbookPriors(circuit);
  const counts = countsOf(history);
  const confirmed = Object.fromEntries(handbook.map(({ id }) => [id, counts.get(id) ?? 0]));
  const confirmedJobs = Object.values(confirmed).reduce((sum, times) => sum + times, 0);
  const weights = weighAsked(learnPriors(handbook, confirmed), askedOf(entries, isAfterWork));
  const results = resultsOf(entries, { fanOnC, fanSenses });
  const whole = modelOf(circuit, { weights });
  const isHere = ({ test }: { test: string }) => whole.tests.some(({ id }) => id === test);
  // A book outlives the knowledge it was written by: a result that is known no longer stays in it and is no evidence.
  const known = results.filter((result) => isHere(result) && isOutcome(result.test, result.outcome));
  const unsure = known.filter(({ outcome }) => outcome === UNSURE);
  const evidence = known
    .filter(({ outcome }) => outcome !== UNSURE)
    .map(({ test, outcome }) => ({ test, outcome }));
  const cannot = cannotOf(entries).filter(
    (each) => isHere(each) && !known.some((result) => result.test === each.test),
  );
  const withheld = [...cannot, ...unsure].map(({ test }) => test);
  const open = { ...whole, tests: whole.tests.filter(({ id }) => !withheld.includes(id)) };
  const now = posterior(whole, evidence);
  const before = posterior(whole, evidence.slice(0, -1));
  return {
    circuit,
    model: whole,
    results: known,
    evidence,
    unsure,
    cannot,
    suspects: whole.hypotheses
      .map(({ id, name = id }) => ({
        id,
        name,
        share: now[id] ?? 0,
        before: before[id] ?? 0,
        inShop: { count: confirmed[id] ?? 0, of: confirmedJobs },
      }))
      .sort((a, b) => b.share - a.share),
    actions: nextActions(open, evidence, USUAL_RATES),
    standings: proven(circuit, evidence),
    conflict: conflict(whole, evidence),
  };
}
