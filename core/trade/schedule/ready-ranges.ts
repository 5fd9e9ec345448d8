import { seededRandom } from "../../kernel/chance/index.ts";
import type { DayAct, DayGiven, DayPlan } from "./day.ts";
import { drawn, REST_SPREAD, type Spread, USUAL_SPREAD } from "./spread.ts";

/** From when to when a job is likely to be ready, minutes from midnight; past the day's closing they run on into the next. */
export interface ReadyRange {
  job: string;
  from: number;
  to: number;
}

interface Terms {
  /** The spread of an act's minutes; what is usual where it says nothing. */
  spreadOf?: (job: string, act: string) => Spread | undefined;
  /** When the shop opens on the days after this one, minutes from this day's midnight; every day after the last of them. */
  opensNext?: readonly number[];
  tries?: number;
}

/** When it opens on the day so many after this one, from 0. */
type Mornings = (days: number) => number;

interface Step {
  job: number;
  act: DayAct;
  /** By place among the people; empty where the plan left it out. */
  who: readonly number[];
  after: readonly number[];
  lift: number | undefined;
  spread: Spread;
}

const TRIES = 200;
/** A little more than eight in ten are ready within it: what is drawn from few knows its own ends too near. */
const [EARLY, LATE] = [0.085, 0.915];
/** Where there are other cars, something comes between one time in four: a hand that is called away, a car that nobody knew of. */
const CALLED_AWAY = { share: 0.25, minutes: 75 };
/** On a day without an idle hand whoever is free sooner takes what comes next: it ends otherwise than it was laid by so much more. */
const FULL_DAY_MORE = 0.7;
const DAY_MINUTES = 1440;

/** The plan as the order in which hands follow it: what is laid by its start, then what was left out in its jobs' order. */
function stepsOf(given: DayGiven, { slips }: DayPlan, spreadOf: Terms["spreadOf"]): Step[] {
  const personOf = new Map(given.people.map(({ id }, index) => [id, index]));
  const slipOf = new Map(slips.map((slip) => [`${slip.job}\u0000${slip.act}`, slip]));
  const all = given.jobs.flatMap(({ id, acts }, job) =>
    acts.map((act) => ({ id, job, act, slip: slipOf.get(`${id}\u0000${act.id}`) })),
  );
  const order = [
    ...all.filter(({ slip }) => slip).sort((a, b) => (a.slip?.start ?? 0) - (b.slip?.start ?? 0)),
    ...all.filter(({ slip }) => !slip),
  ];
  const place = new Map(order.map(({ id, act }, index) => [`${id}\u0000${act.id}`, index]));
  return order.map(({ id, job, act, slip }) => ({
    job,
    act,
    who: (slip?.people ?? []).flatMap((person) => personOf.get(person) ?? []),
    after: (act.after ?? []).flatMap((before) => place.get(`${id}\u0000${before}`) ?? []),
    lift: slip?.lift,
    spread: spreadOf?.(id, act.id) ?? USUAL_SPREAD,
  }));
}

/** One way it may go: how long each act and each rest takes, and from that when each job ends. */
function once(given: DayGiven, steps: readonly Step[], random: () => number, mornings: Mornings): number[] {
  const free = given.people.map(({ from }) => Math.max(given.now, from));
  const liftFree: { job: number; at: number }[] = Array.from({ length: given.lifts }, () => ({
    job: -1,
    at: 0,
  }));
  const ends: number[] = [];
  const rests: number[] = [];
  const jobs = given.jobs.map(() => given.now);
  const isBusy = given.jobs.length > 1;
  const awayOf = given.jobs.map(() =>
    isBusy && random() < CALLED_AWAY.share ? random() * CALLED_AWAY.minutes : 0,
  );
  for (const [index, { job, act, who, after, lift, spread }] of steps.entries()) {
    const minutes = drawn(act.minutes, spread, random);
    let start = Math.max(given.now, act.notBefore ?? 0, act.at ?? 0);
    for (const before of after) start = Math.max(start, (ends[before] ?? 0) + (rests[before] ?? 0));
    const hands =
      who.length > 0
        ? who
        : free
            .map((at, person) => ({ at, person }))
            .sort((a, b) => a.at - b.at)
            .slice(0, act.people ?? 1)
            .map(({ person }) => person);
    for (const person of hands) start = Math.max(start, free[person] ?? 0);
    const held = lift === undefined ? undefined : liftFree[lift];
    if (held && held.job !== job) start = Math.max(start, held.at);
    for (const person of hands) start = clearOf(given, person, start, act.minutes, mornings);
    const end = start + minutes + (awayOf[job] ?? 0);
    // Once a job is enough.
    awayOf[job] = 0;
    ends[index] = end;
    rests[index] = act.restAfter ? drawn(act.restAfter, REST_SPREAD, random) : 0;
    for (const person of hands) free[person] = end;
    if (lift !== undefined) liftFree[lift] = { job, at: end };
    jobs[job] = Math.max(jobs[job] ?? 0, end);
  }
  return jobs;
}

/** When somebody begins with so much, from then on: behind a break that it would run into, or next morning. */
function clearOf(given: DayGiven, person: number, from: number, minutes: number, mornings: Mornings): number {
  const { breaks = [], from: comes = 0, to = 0 } = given.people[person] ?? {};
  let start = from;
  for (const [since, until] of [...breaks].sort((a, b) => a[0] - b[0]))
    if (start < until && since < start + minutes) start = until;
  // Past the day's end the next mornings follow, each as long as this day.
  for (let days = 0, closes = to; start + minutes > closes; days++) {
    const morning = mornings(days);
    if (minutes > to - comes) return Math.max(start, morning);
    start = Math.max(start, morning);
    closes = morning + (to - comes);
  }
  return start;
}

/** Minutes from midnight as minutes that the shop is open from now on, and back: nobody is told that a car is ready at night. */
function openMinutes({ now, people }: DayGiven, mornings: Mornings) {
  if (people.length === 0) return { of: (at: number) => at, at: (open: number) => open };
  const closes = Math.max(...people.map(({ to }) => to));
  const opens = Math.min(...people.map(({ from }) => from));
  const isOpenFor = Math.max(1, closes - opens);
  const since = Math.max(now, opens);
  const today = Math.max(0, closes - since);
  const of = (at: number): number => {
    if (at < mornings(0)) return Math.max(0, Math.min(at, closes) - since);
    let days = 0;
    while (at >= mornings(days + 1)) days++;
    return today + days * isOpenFor + Math.min(isOpenFor, at - mornings(days));
  };
  /** What ends as the shop closes ends that evening, not next morning. */
  const at = (open: number): number => {
    if (open <= today) return since + Math.max(0, open);
    const days = Math.ceil((open - today) / isOpenFor) - 1;
    return mornings(days) + (open - today - days * isOpenFor);
  };
  return { of, at };
}

/** How much of the hands' minutes that are left today is asked for, 0 to 1. */
function loadOf({ now, people, jobs }: DayGiven): number {
  const there = people.reduce((sum, { from, to, breaks = [] }) => {
    const shut = breaks.reduce(
      (of, [since, until]) => of + Math.max(0, Math.min(until, to) - Math.max(since, from, now)),
      0,
    );
    return sum + Math.max(0, to - Math.max(from, now) - shut);
  }, 0);
  const asked = jobs
    .flatMap(({ acts }) => acts)
    .reduce((sum, { minutes, people: hands = 1 }) => sum + minutes * hands, 0);
  return there === 0 ? 1 : Math.min(1, asked / there);
}

/**
 * From when to when each job of a plan is likely to be ready: eight times in ten, by how far the minutes of its acts spread and by
 * who waits for whom. Minutes from midnight while the shop is open, those past the day's closing in the next days from `opensNext` on. By 200
 * ways that it may go, drawn from a seed. Jobs without an act are ready now, or as the shop opens.
 */
export function readyRanges(
  given: DayGiven,
  plan: DayPlan,
  { spreadOf, opensNext, tries = TRIES }: Terms = {},
): ReadyRange[] {
  const steps = stepsOf(given, plan, spreadOf);
  const random = seededRandom(1 + steps.length);
  const opens = opensNext?.length
    ? opensNext
    : [Math.min(...given.people.map(({ from }) => from), DAY_MINUTES) + DAY_MINUTES];
  const last = opens.length - 1;
  const mornings = (days: number) => opens[days] ?? (opens[last] as number) + (days - last) * DAY_MINUTES;
  const open = openMinutes(given, mornings);
  const all: number[][] = given.jobs.map(() => []);
  const stretch = given.jobs.length > 1 ? 1 + FULL_DAY_MORE * loadOf(given) : 1;
  for (let each = 0; each < tries; each++)
    for (const [job, end] of once(given, steps, random, mornings).entries()) all[job]?.push(end);
  return given.jobs.map(({ id }, job) => {
    const sorted = (all[job] ?? []).sort((a, b) => a - b);
    const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))] ?? given.now;
    const middle = open.of(at(0.5));
    const stretched = (end: number) => Math.round(open.at(middle + (open.of(end) - middle) * stretch));
    return { job: id, from: stretched(at(EARLY)), to: stretched(at(LATE)) };
  });
}
