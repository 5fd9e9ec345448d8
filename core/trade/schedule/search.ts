import { seededRandom } from "../../kernel/chance/index.ts";
import type { Genes, Laid, Task } from "./laid.ts";
import type { Day } from "./lay.ts";

/** So many acts are laid in the search, all its tries together; a day of few acts is tried more often. */
const WORK = 60_000;
/** A day laid again begins from what was laid: whoever waits for it has just tapped something. */
const WORK_AGAIN = 25_000;
const TRIES_PER_PAIR = 60;
const FEWEST_TRIES = 150;
/** A try that is worse by so much of the whole is taken now and then, less and less. */
const WARM = 0.02;
/** How many tries without a better one before it starts from the best again. */
const PATIENCE = 400;

/** What nobody has said a time for comes after all that has one. */
const UNSAID = 1e6;

type Key = (task: Task) => number;

/** The same order with each act behind what it comes after, as soon as that lets it. */
function mended(order: readonly number[], tasks: readonly Task[]): number[] {
  const isDone = new Uint8Array(tasks.length);
  const result: number[] = [];
  const waiting: number[] = [];
  const isFree = (index: number) => tasks[index]?.after.every((before) => isDone[before]) === true;
  for (const next of order) {
    waiting.push(next);
    for (let at = waiting.findIndex(isFree); at >= 0; at = waiting.findIndex(isFree)) {
      const [index = next] = waiting.splice(at, 1);
      isDone[index] = 1;
      result.push(index);
    }
  }
  return result;
}

/** Where a search begins: as they came, by promise, by least slack, shortest and longest job first, and as the day was. */
function beginnings(day: Day): number[][] {
  const { tasks, promises } = day;
  const work = promises.map((_, job) =>
    tasks.reduce(
      (sum, task) => sum + (task.job === job ? task.act.minutes + (task.act.restAfter ?? 0) : 0),
      0,
    ),
  );
  const due = (job: number) => promises[job] ?? UNSAID;
  const keys: Key[] = [
    ({ index }) => index,
    ({ job }) => due(job),
    ({ job }) => due(job) - (work[job] ?? 0),
    ({ job }) => work[job] ?? 0,
    ({ job }) => -(work[job] ?? 0),
    (task) => day.wasAt(task) ?? UNSAID,
    // A lift that is taken is free for nobody before the car on it is done.
    ({ job }) => (day.isOnLift(job) ? -1 : due(job)),
  ];
  return keys.map((key) =>
    mended(
      [...tasks].sort((a, b) => key(a) - key(b) || a.index - b.index).map(({ index }) => index),
      tasks,
    ),
  );
}

/** The best with what moved by chance and for nothing where it was: a job's acts together, then each by itself. */
function* putBack({ tasks }: Day, stays: Uint8Array, best: () => Genes): Generator<Genes> {
  for (const isTogether of [true, false])
    for (const task of tasks) {
      if (!stays[task.index] || best().stays[task.index]) continue;
      const back = best().stays.slice();
      for (const { index, job } of tasks)
        if (index === task.index || (isTogether && job === task.job)) back[index] = stays[index] ?? 0;
      yield { ...best(), stays: back };
    }
}

/** Better and better ways to lay the day, the best of them last. Repeatable: chance comes from a seed, and time isn't asked. */
export function* search(day: Day): Generator<Laid> {
  const { tasks } = day;
  const count = tasks.length;
  const stays = Uint8Array.from(tasks, (task) => (day.mayStay(task) ? 1 : 0));
  const near = Uint8Array.from(tasks, (task) => (stays[task.index] && day.isNear(task) ? 1 : 0));
  const isAgain = stays.some(Boolean);
  const fresh = (order: number[], kept: Uint8Array): Genes => ({
    order,
    asked: new Int8Array(count).fill(-1),
    isLast: new Uint8Array(count),
    stays: kept.slice(),
  });
  let best: { genes: Genes; laid: Laid } | undefined;
  const take = (genes: Genes): Laid => {
    const laid = day.lay(genes);
    if (!best || laid.worth < best.laid.worth) best = { genes, laid };
    return laid;
  };
  // What may stay holds everything else where it was, however little it is itself worth: the day is also begun without it.
  const kept = isAgain ? [stays, near, new Uint8Array(count)] : [stays];
  for (const order of beginnings(day)) for (const each of kept) take(fresh(order, each));
  if (!best || count === 0) return;
  yield best.laid;
  const random = seededRandom(count * 7919 + day.people);
  const below = (most: number) => Math.floor(random() * most);
  const tries = Math.max(
    FEWEST_TRIES,
    Math.min(TRIES_PER_PAIR * count * count, Math.floor((isAgain ? WORK_AGAIN : WORK) / count)),
  );
  let now = best;
  let since = 0;
  for (let at = 0; at < tries; at++) {
    const genes: Genes = {
      order: [...now.genes.order],
      asked: now.genes.asked.slice(),
      isLast: now.genes.isLast.slice(),
      stays: now.genes.stays.slice(),
    };
    const what = random();
    const one = below(count);
    if (what < 0.45) {
      const [moved = 0] = genes.order.splice(below(count), 1);
      genes.order.splice(below(count), 0, moved);
    } else if (what < 0.65) {
      const job = tasks[one]?.job;
      const isOf = (index: number) => tasks[index]?.job === job;
      const own = genes.order.filter(isOf);
      const others = genes.order.filter((index) => !isOf(index));
      others.splice(below(others.length + 1), 0, ...own);
      genes.order = others;
    } else if (what < 0.85 && day.people > 1) genes.asked[one] = below(day.people + 1) - 1;
    else genes.isLast[one] = genes.isLast[one] ? 0 : 1;
    if (isAgain && random() < 0.3) {
      const other = below(count);
      const to = genes.stays[other] ? 0 : 1;
      const isWholeJob = random() < 0.5;
      for (const { index, job } of tasks)
        if (stays[index] && (index === other || (isWholeJob && job === tasks[other]?.job)))
          genes.stays[index] = to;
    }
    genes.order = mended(genes.order, tasks);
    const before = best.laid.worth;
    const laid = take(genes);
    const heat = WARM * (1 - at / tries) * Math.max(1, now.laid.cost);
    if (
      laid.worth <= now.laid.worth ||
      random() < Math.exp((now.laid.worth - laid.worth) / Math.max(1e-9, heat))
    )
      now = { genes, laid };
    since = best.laid.worth < before ? 0 : since + 1;
    if (since === 0) yield best.laid;
    if (since > PATIENCE) {
      now = best;
      since = 0;
    }
  }
  if (!isAgain) return;
  const before = best.laid.worth;
  for (const genes of putBack(day, stays, () => (best as { genes: Genes }).genes)) take(genes);
  if (best.laid.worth < before) yield best.laid;
}
