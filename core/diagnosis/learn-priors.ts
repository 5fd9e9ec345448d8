export interface Prior {
  id: string;
  weight: number;
}

/** The handbook's weights count as much as this many of the shop's own confirmed jobs on the circuit. */
const HANDBOOK_JOBS = 25;

/**
 * Weights after a shop's own confirmed verdicts on one kind of circuit: the Dirichlet prior's mean after the counts.
 * `history` has a hypothesis id for each confirmed job. Answers in the order given, adding up to one. Throws
 * `RangeError` for a hypothesis that isn't among the priors, for weights below 0 and where all are 0.
 */
export function learnPriors(
  priors: readonly Prior[],
  history: readonly string[],
  handbookJobs: number = HANDBOOK_JOBS,
): Prior[] {
  const total = priors.reduce((sum, { weight }) => sum + weight, 0);
  const wrong = priors.find(({ weight }) => !(weight >= 0 && Number.isFinite(weight)));
  if (wrong) throw new RangeError(`the weight of “${wrong.id}” is ${wrong.weight}; it must be 0 or more`);
  if (!(total > 0)) throw new RangeError("every weight is 0; at least one must be more");
  if (!(handbookJobs > 0)) throw new RangeError(`${handbookJobs} handbook jobs; it must be more than 0`);
  const counts = new Map<string, number>();
  for (const id of history) {
    if (!priors.some((prior) => prior.id === id))
      throw new RangeError(`“${id}” is confirmed in the shop's history and not among the hypotheses`);
    counts.set(id, (counts.get(id) ?? 0) + 1);
  }
  return priors.map(({ id, weight }) => ({
    id,
    weight: ((handbookJobs * weight) / total + (counts.get(id) ?? 0)) / (handbookJobs + history.length),
  }));
}
