import type { DayAct, DayGiven, DayPerson, DayPlan } from "../../trade/schedule/index.ts";

/** A hold that can't be kept as the day has become: its piece is laid without it, and that is said. */
export interface GivenUp {
  job: string;
  act: string;
  because: string;
}

/** What comes to no place for its own hold's sake says so; what waits for such a piece says something else. */
const BY_ITS_HOLD = /\bheld to\b/;

/** Whether somebody has so many minutes in one go left today, whatever else is laid for them. */
function isHereFor({ from, to, breaks = [] }: DayPerson, minutes: number, now: number): boolean {
  const shut = [...breaks].sort(([a], [b]) => a - b);
  let free = Math.max(from, now);
  for (const [since, until] of shut) {
    if (free + minutes <= Math.min(since, to)) return true;
    free = Math.max(free, until);
  }
  return free + minutes <= to;
}

/** The act without what can't be held of it: a person who is away, else its time, before which it still isn't done. */
function loosened(act: DayAct, { people, now }: DayGiven): DayAct {
  const person = people.find(({ id }) => id === act.by);
  const isAway = act.by !== undefined && !(person && isHereFor(person, act.minutes, now));
  const { by, at, ...free } = act;
  if (isAway) return { ...free, ...(at !== undefined && { at }) };
  if (at === undefined) return act;
  const notBefore = Math.max(act.notBefore ?? 0, at);
  return { ...free, notBefore, ...(by !== undefined && { by }) };
}

/**
 * Lays a day by `lay` with every hold that can be kept. One that can't, because whoever it is held to is away or its own work isn't that
 * far by then, would leave its piece and all behind it undone: that piece is laid from its time on by whoever can, and is named with why.
 */
export function layHolding(
  given: DayGiven,
  lay: (given: DayGiven) => DayPlan,
): { plan: DayPlan; given: DayGiven; gaveUp: GivenUp[] } {
  const gaveUp = new Map<string, GivenUp>();
  let now = given;
  let plan = lay(given);
  // A hold to a person and a time may have to go in two goes.
  for (let go = 0; go < 3; go++) {
    const lost = plan.unplaced.filter(({ because }) => BY_ITS_HOLD.test(because));
    const actsOf = new Map(
      lost.flatMap(({ job, act: id }) => {
        const act = now.jobs.find((each) => each.id === job)?.acts.find((each) => each.id === id);
        const free = act && loosened(act, now);
        return free && free !== act ? [[`${job} ${id}`, free] as const] : [];
      }),
    );
    if (actsOf.size === 0) break;
    for (const { job, act, because } of lost)
      if (actsOf.has(`${job} ${act}`)) gaveUp.set(`${job} ${act}`, { job, act, because });
    const jobs = now.jobs.map((job) => ({
      ...job,
      acts: job.acts.map((act) => actsOf.get(`${job.id} ${act.id}`) ?? act),
    }));
    now = { ...now, jobs };
    plan = lay(now);
  }
  return { plan, given: now, gaveUp: [...gaveUp.values()] };
}
