import { type DayGiven, type DayPlan, readDay, type Slip } from "./day.ts";
import type { Bound, Laid, Task } from "./laid.ts";
import { Day } from "./lay.ts";
import { search } from "./search.ts";

const BOUND_WORDS: Record<Exclude<Bound, "work">, string> = {
  people: "nobody is free for it before",
  lift: "no lift is free before",
};

/** Why a job ends late: the act that waited longest for somebody or for a lift, else its own minutes. */
function whyLate(day: Day, laid: Laid, job: number): string {
  let longest: { task: Task; waited: number; bound: Bound } | undefined;
  const own = day.tasks.filter((task) => task.job === job);
  const left = own.find(({ index }) => !laid.places[index]);
  if (left) return `${left.act.id}: ${laid.because[left.index]}`;
  for (const task of own) {
    const { bound = "work", waited = 0 } = laid.places[task.index] ?? {};
    if (bound === "work") continue;
    if (!longest || waited > longest.waited) longest = { task, waited, bound };
  }
  if (!longest || longest.bound === "work") return "its own work and waits take so long";
  return `${longest.task.act.id}: ${BOUND_WORDS[longest.bound]}, ${longest.waited} minutes`;
}

function planOf(day: Day, laid: Laid, given: DayGiven): DayPlan {
  const slips = day.slipsOf(laid);
  const left = day.tasks.filter(({ index }) => !laid.places[index]);
  const jobOf = ({ job }: Task) => given.jobs[job]?.id ?? "";
  return {
    slips: slips.filter((slip): slip is Slip => slip !== undefined).sort((a, b) => a.start - b.start),
    cost: laid.cost,
    late: given.jobs.flatMap(({ id, promisedAt }, job) => {
      const minutes = promisedAt === undefined ? 0 : (laid.ends[job] ?? given.now) - promisedAt;
      return minutes > 0 ? [{ job: id, minutes, because: whyLate(day, laid, job) }] : [];
    }),
    unplaced: left.map((task) => ({
      job: jobOf(task),
      act: task.act.id,
      because: laid.because[task.index] ?? "",
    })),
  };
}

/**
 * Better and better plans of a day, the first at once, the best last: for whoever wants to see one before the search is over.
 * As `planDay` says.
 */
export function* plansOfDay(asked: DayGiven): Generator<DayPlan> {
  const given = readDay(asked);
  const day = new Day(given);
  let isAny = false;
  for (const laid of search(day)) {
    isAny = true;
    yield planOf(day, laid, given);
  }
  if (!isAny) yield { slips: [], cost: 0, late: [], unplaced: [] };
}

/**
 * Lays the acts of every job over people, lifts and the day, so that one car's waiting is another's work: promises kept, then cars
 * ready soon, then few changes of car, weighed by `terms` (`USUAL_TERMS`). Whole minutes from midnight. A lift is held from the start
 * of a job's first act on it to the end of its last; nobody has two engines running, each from its hot act's start until its rest is
 * over. Held acts stay where they are held. Of a day laid before, what may stay does unless the day is better by more than its moving
 * is worth. What doesn't fit is left out, with its reason; such a job counts as open, and late, until the day closes.
 * Repeatable: the same day is laid the same way. Throws a RangeError for times that aren't whole minutes or can't be, two of a name,
 * acts that wait for each other. Source: serial schedule generation with simulated annealing (Kolisch and Hartmann, 1999).
 */
export function planDay(given: DayGiven): DayPlan {
  let last: DayPlan = { slips: [], cost: 0, late: [], unplaced: [] };
  for (const plan of plansOfDay(given)) last = plan;
  return last;
}
