import { seededRandom } from "../../core/kernel/chance/index.ts";
import { brokenRules } from "../../core/trade/schedule/broken-rules.fixture.ts";
import { anyDay, costOf, inTurn, slipping } from "../../core/trade/schedule/days.fixture.ts";
import { exactCost } from "../../core/trade/schedule/exact-day.fixture.ts";
import { type DayGiven, type DayPlan, planDay, plansOfDay } from "../../core/trade/schedule/index.ts";
import type { Figure } from "./measure.ts";
import { benchMonth } from "./month.ts";

const SMALL_DAYS = 200;
const LARGE_DAYS = 500;
const quantile = (all: readonly number[], share: number) =>
  [...all].sort((a, b) => a - b)[Math.floor(share * (all.length - 1))] ?? 0;

/** How many small days cost more than 5 % over the least, by a solver that tries everything. */
function small(): Figure[] {
  const random = seededRandom(23_001);
  const over: number[] = [];
  let days = 0;
  for (let day = 0; days < SMALL_DAYS; day++) {
    const exact = anyDay(random, {
      acts: 3 + (day % 6),
      jobs: 2 + (day % 3),
      people: 1 + (day % 3),
      lifts: day % 3,
    });
    const given = day % 2 ? slipping(exact, random) : exact;
    const { cost, unplaced } = planDay(given);
    if (unplaced.length > 0) continue;
    days++;
    over.push((cost / (exactCost(given, cost) ?? cost) - 1) * 100);
  }
  return [
    {
      name: `of ${SMALL_DAYS} days of up to eight acts, those over 5 % above the least`,
      measured: over.filter((each) => each > 5).length,
      unit: "",
      wanted: 1,
      from: `worst ${Math.max(...over).toFixed(2)} %, ${over.filter((each) => each === 0).length} at the least`,
    },
  ];
}

/** Larger days beside first come first served, and what any of them breaks. */
function large(): Figure[] {
  const random = seededRandom(23_002);
  let worse = 0;
  let served = 0;
  let broken = 0;
  let ours = 0;
  let theirs = 0;
  for (let day = 0; day < LARGE_DAYS; day++) {
    const drawn = anyDay(random, { acts: 20 + (day % 20), jobs: 8, people: 3, lifts: 2 });
    const plain = drawn.jobs.map((job) => ({ ...job, acts: job.acts.map(({ hot: _, ...act }) => act) }));
    const given: DayGiven = { ...drawn, jobs: plain };
    const plan = planDay(given);
    broken += brokenRules(given, plan).length > 0 ? 1 : 0;
    const ends = inTurn(given);
    if (ends.size === 0) continue;
    served++;
    const turn = costOf(given, ends);
    const own = costOf(given, endsOf(plan));
    ours += own;
    theirs += turn;
    if (plan.unplaced.length > 0 || own > turn) worse++;
  }
  return [
    {
      name: `of ${LARGE_DAYS} larger days, those that break a rule`,
      measured: broken,
      unit: "",
      wanted: 1,
      from: "looked at slip by slip",
    },
    {
      name: "larger days worse than first come first served",
      measured: worse,
      unit: "",
      wanted: 1,
      from: `${served} that it can serve whole; all together ${Math.round((ours / theirs) * 100)} % of what it costs`,
    },
  ];
}

const endsOf = ({ slips }: DayPlan) => {
  const ends = new Map<string, number>();
  for (const { job, end } of slips) ends.set(job, Math.max(ends.get(job) ?? 0, end));
  return ends;
};

function timed(name: string, given: () => DayGiven, wanted: number): Figure[] {
  const first: number[] = [];
  const whole: number[] = [];
  for (let run = 0; run < 7; run++) {
    const day = given();
    const from = performance.now();
    let isFirst = true;
    for (const _ of plansOfDay(day)) {
      if (isFirst) first.push(performance.now() - from);
      isFirst = false;
    }
    whole.push(performance.now() - from);
  }
  return [
    {
      name: `${name}, the first answer`,
      measured: quantile(first, 0.5),
      unit: "ms",
      wanted: 50,
      from: "median of 7",
    },
    { name, measured: quantile(whole, 0.5), unit: "ms", wanted, from: "median of 7" },
  ];
}

/** A day as it is laid again when something happened: somebody ill, an act that took an hour longer, a job that must go first. */
function again(): Figure[] {
  const random = seededRandom(23_004);
  const times: number[] = [];
  let moved = 0;
  let soon = 0;
  let had = 0;
  let broken = 0;
  let cost = 0;
  for (let run = 0; run < 12; run++) {
    const given = anyDay(random, { acts: 72, jobs: 12, people: 4, lifts: 3 });
    const before = planDay(given);
    const ill = run % 3 === 0;
    const longer = run % 3 === 1;
    const jobs = given.jobs.map((job, index) =>
      longer && index === 0
        ? {
            ...job,
            acts: job.acts.map((act, at) => (at === 0 ? { ...act, minutes: act.minutes + 60 } : act)),
          }
        : job,
    );
    const next: DayGiven = {
      ...given,
      people: ill ? given.people.slice(1) : given.people,
      jobs:
        ill || longer
          ? jobs
          : [...jobs, { id: "first", promisedAt: 560, acts: [{ id: "fuse", minutes: 40 }] }],
      before: before.slips,
    };
    const from = performance.now();
    const plan = planDay(next);
    times.push(performance.now() - from);
    broken += brokenRules(next, plan).length > 0 ? 1 : 0;
    const touched = (job: string, act: string, people: readonly string[]) =>
      (ill && people.includes("p0")) || (longer && job === "j0" && act === "a0");
    had += before.slips.filter(({ job, act, people }) => touched(job, act, people)).length;
    const those = before.slips.filter((was) =>
      plan.slips.some(
        ({ job, act, start, people }) =>
          was.job === job && was.act === act && (was.start !== start || was.people.join() !== people.join()),
      ),
    );
    moved += those.length;
    soon += those.filter(({ start }) => start < given.now + 60).length;
    cost += plan.cost;
  }
  return [
    {
      name: "12 jobs laid again when something happened",
      measured: quantile(times, 0.5),
      unit: "ms",
      wanted: 150,
      from: "median of 12",
    },
    {
      name: "days laid again that break a rule",
      measured: broken,
      unit: "",
      wanted: 1,
      from: `${moved} acts of ${12 * 72} moved, ${soon} of those that were to begin within the hour; ${had} touched themselves; all together they cost ${Math.round(cost)}`,
    },
  ];
}

/** The day's laying, held to its figures. */
export async function benchDay(): Promise<Figure[]> {
  const random = seededRandom(23_003);
  return [
    ...small(),
    ...large(),
    ...timed(
      "12 jobs, 4 people, 3 lifts",
      () => anyDay(random, { acts: 72, jobs: 12, people: 4, lifts: 3 }),
      300,
    ),
    ...timed(
      "40 jobs, 10 people, 8 lifts",
      () => anyDay(random, { acts: 240, jobs: 40, people: 10, lifts: 8 }),
      2000,
    ),
    ...again(),
    ...benchMonth(),
  ];
}
