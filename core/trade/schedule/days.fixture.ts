import type { DayAct, DayGiven, DayJob, DayPerson } from "./index.ts";

/** From eight to six. */
export const EIGHT_TO_SIX = { from: 480, to: 1080 };

/** A day of one person who comes at eight, without lifts or jobs. */
export const ofOne = (given: Partial<DayGiven>): DayGiven => ({
  now: 480,
  people: [{ id: "tobin", ...EIGHT_TO_SIX }],
  lifts: 0,
  jobs: [],
  ...given,
});

/** A day as it might come to a shop, by chance: chains of acts with rests, lifts, running engines, breaks and promises. */
export function anyDay(
  random: () => number,
  { acts: most, jobs, people, lifts }: { acts: number; jobs: number; people: number; lifts: number },
): DayGiven {
  const below = (count: number) => Math.floor(random() * count);
  const chance = (share: number) => random() < share;
  let left = most;
  const all: DayJob[] = [];
  for (let job = 0; job < jobs && left > 0; job++) {
    const many = job === jobs - 1 ? left : Math.min(left, 1 + below(Math.ceil((most * 2) / jobs)));
    left -= many;
    const acts: DayAct[] = [];
    for (let act = 0; act < many; act++) {
      const before = acts.at(-1);
      acts.push({
        id: `a${act}`,
        minutes: 5 * (1 + below(12)),
        ...(before && chance(0.85) && { after: [before.id] }),
        ...(chance(0.3) && { restAfter: 5 * (1 + below(12)) }),
        ...(chance(0.3) && lifts > 0 && { lift: true }),
        ...(chance(0.15) && { hot: true }),
        ...(chance(0.12) && people > 1 && { people: 2 as const }),
        ...(chance(0.08) && { notBefore: 480 + 15 * below(16) }),
        ...(chance(0.08) && { by: `p${below(people)}` }),
      });
    }
    all.push({ id: `j${job}`, acts, ...(chance(0.6) && { promisedAt: 540 + 15 * below(30) }) });
  }
  const staff = Array.from(
    { length: people },
    (_, person): DayPerson => ({
      id: `p${person}`,
      from: 480,
      to: 1080,
      ...(chance(0.5) && { breaks: [[720, 750]] as const }),
    }),
  );
  return { now: 480, people: staff, lifts, jobs: all };
}

/** The same day where ends may slip, each job's by so much. */
export const slipping = (given: DayGiven, random: () => number): DayGiven => ({
  ...given,
  jobs: given.jobs.map((job) => ({ ...job, slack: 10 + Math.floor(random() * 60) })),
});

/** As a person's rule of thumb has it: jobs one after another in this order, each act as soon as somebody and a lift are free. */
export function inTurn(given: DayGiven, order: readonly DayJob[] = given.jobs): Map<string, number> {
  const rows = new Map(
    given.people.map(({ id, breaks = [] }) => [id, breaks.map(([from, to]) => ({ from, to, job: "" }))]),
  );
  const lifts: { from: number; to: number }[][] = Array.from({ length: given.lifts }, () => []);
  const ends = new Map<string, number>();
  for (const job of order) {
    const done = new Map<string, number>();
    let held: { lift: number; from: number } | undefined;
    for (const act of job.acts) {
      const ready = Math.max(
        given.now,
        act.notBefore ?? 0,
        ...(act.after ?? []).map(
          (id) => (done.get(id) ?? Number.NaN) + (job.acts.find((each) => each.id === id)?.restAfter ?? 0),
        ),
      );
      let at = ready;
      for (; at < 1080; at++) {
        const can = given.people.filter(
          ({ id, from, to }) =>
            from <= at &&
            at + act.minutes <= to &&
            (act.by === undefined || act.by === id || act.people === 2) &&
            !(rows.get(id) ?? []).some((row) => row.from < at + act.minutes && at < row.to),
        );
        if (act.by !== undefined && !can.some(({ id }) => id === act.by)) continue;
        if (can.length < (act.people ?? 1)) continue;
        if (act.lift && !held) {
          const lift = lifts.findIndex((taken) => taken.every(({ to }) => to <= at));
          if (lift < 0) continue;
          held = { lift, from: at };
        }
        const who = [...can].sort((a) => (a.id === act.by ? -1 : 0)).slice(0, act.people ?? 1);
        for (const { id } of who) rows.get(id)?.push({ from: at, to: at + act.minutes, job: job.id });
        done.set(act.id, at + act.minutes);
        break;
      }
      if (!done.has(act.id)) return new Map();
    }
    if (held)
      lifts[held.lift]?.push({
        from: held.from,
        to: Math.max(...job.acts.filter(({ lift }) => lift).map(({ id }) => done.get(id) ?? 0)),
      });
    ends.set(job.id, Math.max(...done.values()));
  }
  return ends;
}

/** What the ends of jobs cost, without changes of car: the least that a plan with these ends could. */
export const costOf = ({ now, jobs }: DayGiven, ends: ReadonlyMap<string, number>): number =>
  jobs.reduce((sum, { id, promisedAt }) => {
    const end = ends.get(id) ?? now;
    return sum + (end - now) + 10 * (promisedAt === undefined ? 0 : Math.max(0, end - promisedAt));
  }, 0);
