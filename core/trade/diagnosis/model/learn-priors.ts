export interface Prior {
  id: string;
  weight: number;
}

/** How often each hypothesis was confirmed, or one id for each time. */
export type History = readonly string[] | Readonly<Record<string, number>>;

/** The times each hypothesis was confirmed, from either way of telling it. */
export function countsOf(history: History): Map<string, number> {
  const counts = new Map<string, number>();
  const told: Iterable<readonly [string, number]> = Array.isArray(history)
    ? history.map((id: string) => [id, 1] as const)
    : Object.entries(history as Record<string, number>);
  for (const [id, times] of told) {
    if (!(times >= 0 && Number.isFinite(times)))
      throw new RangeError(`“${id}” is confirmed ${times} times; it must be 0 or more`);
    counts.set(id, (counts.get(id) ?? 0) + times);
  }
  return counts;
}

/** The handbook's weights count as much as this many of the shop's own confirmed jobs on the circuit. */
const HANDBOOK_JOBS = 25;

/**
 * Weights after a shop's own confirmed verdicts on one kind of circuit: the Dirichlet prior's mean after the counts.
 * `history` has how often each hypothesis was confirmed, or an id for each time. Answers in the order given, adding up to one. Throws
 * `RangeError` for a hypothesis that isn't among the priors, for weights below 0 and where all are 0.
 */
export function learnPriors(
  priors: readonly Prior[],
  history: History,
  handbookJobs: number = HANDBOOK_JOBS,
): Prior[] {
  const total = priors.reduce((sum, { weight }) => sum + weight, 0);
  const wrong = priors.find(({ weight }) => !(weight >= 0 && Number.isFinite(weight)));
  if (wrong) throw new RangeError(`the weight of “${wrong.id}” is ${wrong.weight}; it must be 0 or more`);
  if (!(total > 0)) throw new RangeError("every weight is 0; at least one must be more");
  if (!(handbookJobs > 0)) throw new RangeError(`${handbookJobs} handbook jobs; it must be more than 0`);
  const counts = countsOf(history);
  let confirmed = 0;
  for (const [id, times] of counts) {
    if (!priors.some((prior) => prior.id === id))
      throw new RangeError(`“${id}” is confirmed in the shop's history and not among the hypotheses`);
    confirmed += times;
  }
  return priors.map(({ id, weight }) => ({
    id,
    weight: ((handbookJobs * weight) / total + (counts.get(id) ?? 0)) / (handbookJobs + confirmed),
  }));
}
