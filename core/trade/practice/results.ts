import { picked, seededRandom } from "../../kernel/chance/index.ts";
import { NOTHING_WRONG } from "../diagnosis/index.ts";
import { type Circuit, modelOf } from "../diagnosis/knowledge/index.ts";

const models = new WeakMap<Circuit, ReturnType<typeof modelOf>>();

function outcomesOf(circuit: Circuit, test: string) {
  const model = models.get(circuit) ?? modelOf(circuit);
  models.set(circuit, model);
  const outcomes = model.tests.find(({ id }) => id === test)?.outcomes;
  if (!outcomes) throw new RangeError(`“${test}” is no test of this car.`);
  return outcomes;
}

/** A number that is the same for the same words. FNV-1a. */
function numberOf(words: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < words.length; at++) hash = Math.imul(hash ^ words.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}

/**
 * How a test comes out on a car with these faults, by what the handbook knows of each. The fault that moves a test furthest from a
 * sound car decides it. `chance` undefined: as it comes out oftenest; else by chance, the same for the same words.
 * Throws a RangeError for a test that this car doesn't have.
 */
export function handbookResult(
  circuit: Circuit,
  test: string,
  faults: readonly string[],
  chance: string | undefined,
): string {
  const outcomes = outcomesOf(circuit, test);
  const apart = (fault: string) =>
    outcomes.reduce((sum, { given }) => sum + Math.abs((given[fault] ?? 0) - (given[NOTHING_WRONG] ?? 0)), 0);
  const deciding = faults.reduce(
    (most, fault) => (apart(fault) > apart(most) ? fault : most),
    faults[0] ?? NOTHING_WRONG,
  );
  const shares = outcomes.map(({ id, given }) => ({ id, share: given[deciding] ?? 0 }));
  if (chance === undefined) return shares.reduce((most, each) => (each.share > most.share ? each : most)).id;
  const drawn = picked(seededRandom(numberOf(`${chance} ${test}`)), shares, ({ share }) => share);
  return drawn.id;
}
