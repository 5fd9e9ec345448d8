import { seededRandom } from "../../core/kernel/chance/index.ts";
import {
  type DayAct,
  type DayGiven,
  type DayJob,
  planDay,
  readyRanges,
  type Slip,
  slackOf,
  spreadOf,
} from "../../core/trade/schedule/index.ts";
import type { Figure } from "./measure.ts";

const DAYS = 22;
const DAY = 1440;
const [OPENS, CLOSES] = [480, 1020];
const NOON = [720, 750] as const;
/** Of arrivals; hands move by the minute. */
const STEP = 5;
const LIFTS = 3;
const PEOPLE = ["p0", "p1", "p2", "p3"];
/** Laid again no oftener: nobody walks faster. */
const AGAIN = 10;

type Random = () => number;

interface SimAct extends DayAct {
  kind: string;
  /** What it really takes, and what its rest does. */
  real: number;
  realRest: number;
  doneAt?: number;
}

interface SimJob {
  id: string;
  came: number;
  promisedAt: number;
  acts: SimAct[];
  lift?: number;
}

/** Minutes as hands really need them: a sum of three, skewed, a tenth over; no distribution that the code knows. */
const ratio = (random: Random) => {
  const about = 0.55 + (random() + random() + random()) * 0.32;
  return random() < 0.1 ? about * (1.4 + random()) : about;
};

type Told = [id: string, minutes: number, given?: Partial<DayAct>];
const RADIATOR: Told[] = [
  ["find", 30],
  ["plan:box", 10],
  ["strip:stands", 17, { lift: true }],
  ["strip:drain", 5, { lift: true, restAfter: 15 }],
  ["strip:hoses", 30, { lift: true }],
  ["strip:radiator", 15, { lift: true, people: 2 }],
  ["build:radiator", 15, { lift: true, people: 2 }],
  ["build:fan", 50, { lift: true }],
  ["fill:pour", 10],
  ["fill:run", 22, { hot: true }],
  ["fill:off", 1, { restAfter: 60 }],
  ["fill:top", 5],
  ["prove:warm", 30, { hot: true }],
  ["sign", 5],
];
const KINDS: Told[][] = [
  RADIATOR,
  [
    ["find", 30],
    ["plan:box", 5],
    ["build:fit", 30],
    ["prove:warm", 30, { hot: true }],
    ["sign", 5],
  ],
  [
    ["find", 20],
    ["strip:drain", 5, { lift: true, restAfter: 15 }],
    ["build:fit", 40, { lift: true }],
    ["fill:run", 22, { hot: true }],
    ["fill:off", 1, { restAfter: 60 }],
    ["fill:top", 5],
    ["sign", 5],
  ],
  [
    ["find", 45],
    ["sign", 5],
  ],
];

/** A month's jobs with what will become of them: the same for whoever arranges them. */
function month(random: Random, cars: number): { jobs: SimJob[]; ill: Set<string>; broken: Set<number> } {
  const jobs: SimJob[] = [];
  const ill = new Set<string>();
  const broken = new Set<number>();
  for (let day = 0; day < DAYS; day++) {
    for (const person of PEOPLE) if (random() < 0.03) ill.add(`${day} ${person}`);
    if (random() < 0.06) broken.add(day);
    const count = cars + Math.floor(random() * 6);
    for (let each = 0; each < count; each++) {
      const told = KINDS[random() < 0.4 ? 0 : 1 + Math.floor(random() * 3)] ?? RADIATOR;
      const isUrgent = random() < 0.1;
      const came = day * DAY + OPENS + (each < 3 ? 0 : STEP * Math.floor(random() * 72));
      const isLate = random() < 0.25;
      const acts = told.map(([id, minutes, given = {}], at): SimAct => {
        const rest = given.restAfter ?? 0;
        const van =
          id === "plan:box" && isLate ? { notBefore: came + 120 + STEP * Math.floor(random() * 48) } : {};
        return {
          id,
          kind: id.split(":")[0] ?? id,
          minutes,
          ...(at > 0 && { after: [told[at - 1]?.[0] ?? ""] }),
          ...given,
          ...van,
          real: Math.max(1, Math.round(minutes * ratio(random))),
          realRest: Math.round(rest * (random() < 0.1 ? 2 : 0.85 + random() * 0.3)),
        };
      });
      const whole = acts.reduce((sum, { minutes, restAfter = 0 }) => sum + minutes + restAfter, 0);
      const wanted = came + (isUrgent ? whole * 1.15 : whole * 1.6 + 60);
      const promisedAt =
        wanted % DAY <= CLOSES - 30
          ? Math.ceil(wanted / 15) * 15
          : (Math.floor(wanted / DAY) + 1) * DAY + 720;
      jobs.push({ id: `j${jobs.length}`, came, promisedAt, acts });
    }
  }
  return { jobs, ill, broken };
}

interface State {
  now: number;
  open: SimJob[];
  /** Who is free now; lifts free now. */
  free: string[];
  here: string[];
  freeLifts: number[];
  lifts: number;
}

/** What a hand could begin with on a job now. */
function ready(job: SimJob, { now, freeLifts }: State): SimAct | undefined {
  const next = job.acts.find(({ doneAt }) => doneAt === undefined);
  if (!next || now < (next.notBefore ?? 0)) return undefined;
  const before = job.acts[job.acts.indexOf(next) - 1];
  if (before && now < (before.doneAt ?? Number.POSITIVE_INFINITY) + before.realRest) return undefined;
  if (next.lift && job.lift === undefined && freeLifts.length === 0) return undefined;
  return next;
}

/** Who does what from now on: pairs of hands and job, as far as somebody is free. */
type Rule = (state: State) => { person: string; job: SimJob }[];

const byKey =
  (key: (job: SimJob) => number): Rule =>
  (state) => {
    const order = [...state.open].sort((a, b) => key(a) - key(b));
    return state.free.flatMap((person) => order.map((job) => ({ person, job })));
  };
const left = (job: SimJob) =>
  job.acts.reduce((sum, { doneAt, minutes }) => sum + (doneAt === undefined ? minutes : 0), 0);

interface Ranged {
  job: string;
  from: number;
  to: number;
}

/** By the day as `planDay` lays it, laid again as things happen; ranges as they were told each morning. */
function laid(ratios: Map<string, number[]>, told: Ranged[]): Rule {
  let slips: Slip[] = [];
  let at = -AGAIN;
  let toldOn = -1;
  return ({ now, open, free, here, lifts }) => {
    const day = Math.floor(now / DAY);
    const base = day * DAY;
    if (now - at >= AGAIN) {
      // Yesterday's minutes are none of today's.
      if (Math.floor(at / DAY) !== day) slips = [];
      at = now;
      const jobs = open.map((job): DayJob => {
        const acts = job.acts.filter(({ doneAt }) => doneAt === undefined || doneAt > now);
        const before = job.acts[job.acts.indexOf(acts[0] as SimAct) - 1];
        return {
          id: job.id,
          promisedAt: Math.max(0, job.promisedAt - base),
          ...(job.lift !== undefined &&
            job.lift < lifts &&
            acts.some(({ lift }) => lift) && { onLift: job.lift }),
          acts: acts.map(
            ({ kind: _, real, realRest: __, doneAt, notBefore = 0, after = [], ...act }, index) => {
              const isOn = doneAt !== undefined;
              const rest = index === 0 && before?.doneAt ? before.doneAt + (before.restAfter ?? 0) : 0;
              return {
                ...act,
                // What is under way takes as long as it was taken for, less what is gone.
                minutes: isOn ? Math.max(1, act.minutes - (now - (doneAt - real))) : act.minutes,
                after: after.filter((id) => acts.some((each) => each.id === id)),
                notBefore: Math.min(4000, Math.max(0, Math.ceil(Math.max(notBefore, rest) - base))),
              };
            },
          ),
        };
      });
      const spreadOfAct = (act: string) => spreadOf(ratios.get(act.split(":")[0] ?? "") ?? []);
      const given: DayGiven = {
        now: now - base,
        people: here.map((id) => ({ id, from: OPENS, to: CLOSES, breaks: [NOON] })),
        lifts,
        jobs: jobs.map((job) => ({ ...job, slack: slackOf(job.acts, spreadOfAct) })),
        before: slips,
      };
      const plan = planDay(given);
      slips = plan.slips;
      if (toldOn !== day) {
        toldOn = day;
        const ranges = readyRanges(given, plan, {
          opensNext: [DAY + OPENS],
          spreadOf: (_, act) => spreadOfAct(act),
        });
        for (const { job, from, to } of ranges) told.push({ job, from: from + base, to: to + base });
      }
    }
    const jobOf = new Map(open.map((job) => [job.id, job]));
    const minute = now - base;
    // What is due: one's own, then what somebody else should have begun; then what comes next, one's own first.
    const theirs = (person: string) => {
      const isOwn = ({ people }: Slip) => people.includes(person);
      const due = slips.filter(({ start }) => start <= minute);
      return [
        ...due.filter(isOwn),
        ...due.filter((slip) => !isOwn(slip)),
        ...slips
          .filter(({ start }) => start > minute)
          .sort((a, b) => a.start - b.start || Number(isOwn(b)) - Number(isOwn(a))),
        ...open.map(({ id }) => ({ job: id })),
      ];
    };
    return free.flatMap((person) =>
      theirs(person).flatMap(({ job }) => {
        const there = jobOf.get(job);
        return there ? [{ person, job: there }] : [];
      }),
    );
  };
}

interface Outcome {
  onDay: number;
  lateHours: number;
  idleHours: number;
  ends: Map<string, number>;
}

/** A month as it comes, hand by hand, in steps of five minutes; what is begun is finished. */
function run(seed: number, cars: number, ruleOf: (ratios: Map<string, number[]>) => Rule): Outcome {
  const { jobs, ill, broken } = month(seededRandom(seed), cars);
  const ratios = new Map<string, number[]>();
  const rule = ruleOf(ratios);
  const busy = new Map<string, number>();
  const ends = new Map<string, number>();
  let idle = 0;
  for (let day = 0; day < DAYS + 5; day++) {
    const here = PEOPLE.filter((person) => !ill.has(`${day} ${person}`));
    const lifts = LIFTS - (broken.has(day) ? 1 : 0);
    for (let now = day * DAY + OPENS; now < day * DAY + CLOSES; now++) {
      const minute = now % DAY;
      if (minute >= NOON[0] && minute < NOON[1]) continue;
      const open = jobs.filter(({ id, came }) => came <= now && !ends.has(id));
      const isFree = (person: string) => (busy.get(person) ?? 0) <= now;
      for (const job of open) {
        if (
          job.lift !== undefined &&
          !job.acts.some(({ lift, doneAt }) => lift && (doneAt === undefined || doneAt > now))
        )
          job.lift = undefined as never;
        const last = job.acts.at(-1)?.doneAt;
        if (last !== undefined && last <= now) ends.set(job.id, last);
      }
      const state: State = {
        now,
        here,
        lifts,
        open: open.filter(({ id }) => !ends.has(id)),
        free: here.filter(isFree),
        freeLifts: Array.from({ length: lifts }, (_, lift) => lift).filter(
          (lift) => !open.some((job) => job.lift === lift),
        ),
      };
      for (const { person, job } of rule(state)) {
        if (!isFree(person)) continue;
        const act = ready(job, state);
        if (!act || minute + act.minutes > CLOSES) continue;
        if (minute < NOON[0] && minute + act.minutes > NOON[0]) continue;
        const second =
          (act.people ?? 1) === 2 ? here.find((each) => each !== person && isFree(each)) : undefined;
        if ((act.people ?? 1) === 2 && !second) continue;
        if (act.lift && job.lift === undefined) job.lift = state.freeLifts.shift() as number;
        act.doneAt = now + act.real;
        for (const hand of [person, second]) if (hand) busy.set(hand, act.doneAt);
        ratios.set(act.kind, [...(ratios.get(act.kind) ?? []), act.real / act.minutes]);
      }
      idle += here.filter(isFree).length;
    }
  }
  const late = jobs.map(({ id, promisedAt }) => Math.max(0, (ends.get(id) ?? (DAYS + 5) * DAY) - promisedAt));
  const onDay = jobs.filter(
    ({ id, promisedAt }) => Math.floor((ends.get(id) ?? 1e9) / DAY) <= Math.floor(promisedAt / DAY),
  );
  return {
    onDay: (onDay.length / jobs.length) * 100,
    lateHours: late.reduce((sum, each) => sum + each, 0) / 60,
    idleHours: idle / 60,
    ends,
  };
}

const RULES = {
  "first come": ({ came }: SimJob) => came,
  "first promised": ({ promisedAt }: SimJob) => promisedAt,
  "longest first": (job: SimJob) => -left(job),
};
const MONTHS = [0, 1, 2];
/** As many as theirs is as good. */
const AS_GOOD = 1e-6;

const meanOf = (all: readonly number[]) => all.reduce((sum, each) => sum + each, 0) / all.length;

/** Months of a made-up shop with its spreads and surprises, beside what people go by. */
function benchLoad(name: string, cars: number): Figure[] {
  const told: { end: number | undefined; range: Ranged }[] = [];
  const ours = MONTHS.map((month) => {
    const ranges: Ranged[] = [];
    const outcome = run(23_030 + month, cars, (ratios) => laid(ratios, ranges));
    told.push(...ranges.map((range) => ({ end: outcome.ends.get(range.job), range })));
    return outcome;
  });
  const theirs = Object.entries(RULES).map(([rule, key]) => ({
    rule,
    months: MONTHS.map((month) => run(23_030 + month, cars, () => byKey(key))),
  }));
  const held = told.filter(
    ({ end, range: { from, to } }) => end !== undefined && end >= from - STEP && end <= to + STEP,
  );
  const of = (months: readonly Outcome[], what: keyof Omit<Outcome, "ends">) =>
    meanOf(months.map((month) => month[what]));
  const beside = (what: keyof Omit<Outcome, "ends">, unit: string) =>
    theirs.map(({ rule, months }) => `${rule} ${of(months, what).toFixed(1)}${unit}`).join(", ");
  // What a person's rule promises first is beside them, and no bound: the two that are go by nothing that was promised.
  const best = (what: keyof Omit<Outcome, "ends">, pick: (...all: number[]) => number) =>
    pick(...theirs.filter(({ rule }) => rule !== "first promised").map(({ months }) => of(months, what)));
  return [
    {
      name: `${name} month: cars out on the day promised, missed`,
      measured: 100 - of(ours, "onDay"),
      unit: "%",
      wanted: Math.max(0.1, 100 - best("onDay", Math.max) + AS_GOOD),
      from: `ours ${of(ours, "onDay").toFixed(1)} % out; ${beside("onDay", " %")}; mean of ${MONTHS.length} months`,
    },
    {
      name: `${name} month: hours late`,
      measured: of(ours, "lateHours"),
      unit: "h",
      wanted: best("lateHours", Math.min),
      from: `${beside("lateHours", " h")}; ours month by month ${ours.map(({ lateHours }) => lateHours.toFixed(0)).join(", ")}`,
    },
    {
      name: `${name} month: hours idle`,
      measured: of(ours, "idleHours"),
      unit: "h",
      wanted: best("idleHours", Math.min) * 1.05,
      from: beside("idleHours", " h"),
    },
    {
      name: `${name} month: ready ranges missed (10 to 25 %)`,
      measured: (1 - held.length / Math.max(1, told.length)) * 100,
      unit: "%",
      wanted: 25,
      from: `${held.length} of ${told.length} told in the morning held`,
    },
  ];
}

/** A shop that is half busy, one that is as busy as it can be, and one between. */
export const benchMonth = (): Figure[] => [
  ...benchLoad("quiet", 5),
  ...benchLoad("full", 6),
  ...benchLoad("busy", 7),
];
