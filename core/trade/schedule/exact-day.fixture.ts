import type { DayAct, DayGiven, DayJob } from "./index.ts";

interface Done {
  job: string;
  act: DayAct;
  who: string[];
  start: number;
  lift: number;
}

const WAYS = 600;
/** Ways that an end may slip, in slacks: an end of a logistic distribution in each of so many equal shares. */
const SLIPS = Array.from({ length: WAYS }, (_, way) => {
  const share = (way + 0.5) / WAYS;
  return Math.log(share / (1 - share));
});

/** The minutes by which a job is late in the mean of all ways that its end may slip; what slips past the closing is late by the night too. */
export function meanLate(
  end: number,
  { promisedAt, slack = 0 }: Pick<DayJob, "promisedAt" | "slack">,
  { closes, night }: { closes: number; night: number },
): number {
  if (promisedAt === undefined) return 0;
  let sum = 0;
  for (const slip of SLIPS) {
    const at = end + slip * slack;
    sum += Math.max(0, at - promisedAt) + (at > closes ? Math.max(0, closes + night - promisedAt) : 0);
  }
  return sum / WAYS;
}

/**
 * The least that a small day can cost, by trying every order of beginnings and everybody for every act; written apart from the search,
 * minute by minute, and only for tests. Nothing where not every act fits. `atMost`: gives up what can't be under it.
 */
export function exactCost(given: DayGiven, atMost = Number.POSITIVE_INFINITY): number | undefined {
  const all = given.jobs.flatMap((job) => job.acts.map((act) => ({ job, act })));
  const closes = Math.max(...given.people.map(({ to }) => to));
  const night = 1440 - (closes - Math.min(...given.people.map(({ from }) => from)));
  const known = new Map<string, number>();
  const lateOf = (job: DayJob, end: number): number => {
    const key = `${job.id} ${end}`;
    const late = known.get(key) ?? meanLate(end, job, { closes, night });
    known.set(key, late);
    return late;
  };
  let best = atMost;
  let found: number | undefined;
  const restOf = (each: Done) => each.start + each.act.minutes + (each.act.restAfter ?? 0);

  const costs = (done: readonly Done[]): number => {
    let sum = 0;
    for (const job of given.jobs) {
      const end = Math.max(
        ...done.filter((each) => each.job === job.id).map((each) => each.start + each.act.minutes),
      );
      sum += end - given.now + 10 * lateOf(job, end);
    }
    for (const person of given.people) {
      const row = done.filter(({ who }) => who.includes(person.id)).sort((a, b) => a.start - b.start);
      for (let at = 1; at < row.length; at++) if (row[at]?.job !== row[at - 1]?.job) sum += 3;
    }
    return sum;
  };
  /** What the jobs cost at least from here: each one's chain without anybody in its way. */
  const atLeast = (done: readonly Done[], from: number): number => {
    let sum = 0;
    for (const job of given.jobs) {
      const ends = new Map<string, number>();
      let last = given.now;
      for (const act of job.acts) {
        const there = done.find((each) => each.job === job.id && each.act.id === act.id);
        const ready = Math.max(
          from,
          act.notBefore ?? 0,
          ...(act.after ?? []).map(
            (id) => (ends.get(id) ?? from) + (job.acts.find((each) => each.id === id)?.restAfter ?? 0),
          ),
        );
        const end = there ? there.start + act.minutes : ready + act.minutes;
        ends.set(act.id, end);
        last = Math.max(last, end);
      }
      sum += last - given.now + 10 * lateOf(job, last);
    }
    return sum;
  };

  const mayBegin = (
    job: string,
    act: DayAct,
    who: readonly string[],
    start: number,
    done: readonly Done[],
  ): number | undefined => {
    const end = start + act.minutes;
    for (const id of who) {
      const person = given.people.find((each) => each.id === id);
      if (!person || start < person.from || end > person.to) return undefined;
      if ((person.breaks ?? []).some(([from, to]) => start < to && from < end)) return undefined;
      for (const each of done.filter((other) => other.who.includes(id))) {
        if (start < each.start + each.act.minutes && each.start < end) return undefined;
        if (
          act.hot &&
          each.act.hot &&
          each.job !== job &&
          start < restOf(each) &&
          each.start < end + (act.restAfter ?? 0)
        )
          return undefined;
      }
    }
    if (!act.lift) return -1;
    const own = done.find((each) => each.job === job && each.lift >= 0);
    const stretch = (of: string): [number, number] => {
      const on = done.filter((each) => each.job === of && each.lift >= 0);
      const wanted = given.jobs.find(({ id }) => id === of)?.acts.filter(({ lift }) => lift).length ?? 0;
      const until =
        on.length < wanted
          ? Number.POSITIVE_INFINITY
          : Math.max(...on.map((each) => each.start + each.act.minutes));
      return [Math.min(...on.map((each) => each.start)), until];
    };
    for (let lift = 0; lift < given.lifts; lift++) {
      if (own && own.lift !== lift) continue;
      const from = own ? Math.min(start, stretch(job)[0]) : start;
      const others = new Set(
        done.filter((each) => each.lift === lift && each.job !== job).map((each) => each.job),
      );
      if (
        [...others].every((other) => {
          const [since, until] = stretch(other);
          return end <= since || from >= until;
        })
      )
        return lift;
    }
    return undefined;
  };

  const go = (done: Done[], from: number): void => {
    if (done.length === all.length) {
      const cost = costs(done);
      if (cost < best) {
        best = cost;
        found = cost;
      }
      return;
    }
    if (atLeast(done, from) >= best) return;
    for (const { job, act } of all) {
      if (done.some((each) => each.job === job.id && each.act.id === act.id)) continue;
      const needs = (act.after ?? []).map((id) =>
        done.find((each) => each.job === job.id && each.act.id === id),
      );
      if (needs.some((each) => !each)) continue;
      const ready = Math.max(from, act.notBefore ?? 0, ...needs.map((each) => restOf(each as Done)));
      const ids = given.people.map(({ id }) => id);
      const teams =
        act.people === 2 ? ids.flatMap((a, at) => ids.slice(at + 1).map((b) => [a, b])) : ids.map((a) => [a]);
      for (const who of teams) {
        if (act.by !== undefined && !who.includes(act.by)) continue;
        for (let start = ready; start + act.minutes <= closes; start += 5) {
          const lift = mayBegin(job.id, act, who, start, done);
          if (lift === undefined) continue;
          go([...done, { job: job.id, act, who, start, lift }], start);
          break;
        }
      }
    }
  };
  go([], given.now);
  return found;
}
