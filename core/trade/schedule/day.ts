/** Somebody who works today. Minutes from midnight, whole. */
export interface DayPerson {
  id: string;
  from: number;
  to: number;
  breaks?: readonly (readonly [from: number, to: number])[];
}

/** One act of a job, as the book's next acts tell it. */
export interface DayAct {
  id: string;
  minutes: number;
  people?: 1 | 2;
  /** Acts of the same job that have to be done before. */
  after?: readonly string[];
  /** Minutes that pass by themselves before what comes after it may start. */
  restAfter?: number;
  notBefore?: number;
  lift?: boolean;
  /** The engine runs from its start until its rest is over. */
  hot?: boolean;
  /** Whoever does that one, which comes before, does this too if they can: they stand beside it. */
  same?: string;
  /** Held to a person. */
  by?: string;
  /** Held to a time; before now where it is under way. */
  at?: number;
}

export interface DayJob {
  id: string;
  promisedAt?: number;
  /** By how many minutes its end may well slip (`slackOf`); 0 where every minute is kept. */
  slack?: number;
  /** The lift that its car stands on already, from 0. */
  onLift?: number;
  acts: readonly DayAct[];
}

/** What a minute and a change are worth against each other. */
export interface DayTerms {
  lateMinute: number;
  openMinute: number;
  changeOfCar: number;
}

/** Where an act lies. */
export interface Slip {
  job: string;
  act: string;
  people: readonly string[];
  start: number;
  end: number;
  /** Which lift, from 0; for an act that wants one. */
  lift?: number;
}

export interface DayGiven {
  now: number;
  people: readonly DayPerson[];
  lifts: number;
  jobs: readonly DayJob[];
  terms?: DayTerms;
  /** The day as it was laid last: what is not touched stays where it was. */
  before?: readonly Slip[];
}

export interface DayPlan {
  slips: Slip[];
  cost: number;
  late: { job: string; minutes: number; because: string }[];
  unplaced: { job: string; act: string; because: string }[];
}

/** A promise broken by a minute outweighs ten minutes that a car stands open; three of those outweigh a change of car. */
export const USUAL_TERMS: DayTerms = { lateMinute: 10, openMinute: 1, changeOfCar: 3 };

const MOST_MINUTES = 3 * 24 * 60;
const MOST_ACTS = 2000;

function whole(name: string, value: number, least: number, most: number): void {
  if (!Number.isInteger(value) || value < least || value > most)
    throw new RangeError(`${name} is ${value}: whole minutes from ${least} to ${most} are wanted.`);
}

function readPerson({ id, from, to, breaks = [] }: DayPerson): void {
  whole(`${id}'s start`, from, 0, MOST_MINUTES);
  whole(`${id}'s end`, to, from, MOST_MINUTES);
  for (const [since, until] of breaks) {
    whole(`a break of ${id}`, since, 0, MOST_MINUTES);
    whole(`the end of a break of ${id}`, until, since, MOST_MINUTES);
  }
}

function readAct(job: string, act: DayAct, known: ReadonlySet<string>): void {
  const name = `${act.id} of ${job}`;
  whole(`${name}: its minutes`, act.minutes, 0, MOST_MINUTES);
  whole(`${name}: its rest`, act.restAfter ?? 0, 0, MOST_MINUTES);
  whole(`${name}: its earliest start`, act.notBefore ?? 0, 0, MOST_MINUTES);
  whole(`${name}: its time`, act.at ?? 0, 0, MOST_MINUTES);
  if (act.same !== undefined && !act.after?.includes(act.same))
    throw new RangeError(`${name} has the hands of ${act.same}, which it doesn't come after.`);
  const stranger = act.after?.find((id) => !known.has(id) || id === act.id);
  if (stranger !== undefined)
    throw new RangeError(`${name} comes after ${stranger}, which is no other act of the job.`);
}

/** The acts of a job, none before what it comes after; throws a RangeError where they wait for each other in a circle. */
function inOrder({ id, acts }: DayJob): DayAct[] {
  const left = new Map(acts.map((act) => [act.id, act]));
  const ordered: DayAct[] = [];
  while (left.size > 0) {
    const free = [...left.values()].filter(({ after = [] }) => !after.some((before) => left.has(before)));
    if (free.length === 0)
      throw new RangeError(`${[...left.keys()].join(", ")} of ${id} wait for each other.`);
    for (const act of free) left.delete(act.id);
    ordered.push(...free);
  }
  return ordered;
}

/** What was given, held to what can be: throws a RangeError with the value and what would be right. */
export function readDay(given: DayGiven): DayGiven & { terms: DayTerms } {
  const { now, people, lifts, jobs, terms = USUAL_TERMS } = given;
  whole("now", now, 0, MOST_MINUTES);
  if (!Number.isInteger(lifts) || lifts < 0) throw new RangeError(`lifts is ${lifts}: a count is wanted.`);
  people.forEach(readPerson);
  const count = jobs.reduce((sum, { acts }) => sum + acts.length, 0);
  if (count > MOST_ACTS) throw new RangeError(`${count} acts: at most ${MOST_ACTS} are laid in one day.`);
  for (const [name, of] of [
    ["person", people.map(({ id }) => id)],
    ["job", jobs.map(({ id }) => id)],
    ...jobs.map(({ id, acts }) => [`act of ${id}`, acts.map((act) => act.id)] as const),
  ] as const)
    if (new Set(of).size < of.length) throw new RangeError(`Two of a name: ${name} ${of.join(", ")}.`);
  const taken = jobs.flatMap(({ onLift }) => onLift ?? []);
  if (
    new Set(taken).size < taken.length ||
    taken.some((lift) => !Number.isInteger(lift) || lift < 0 || lift >= lifts)
  )
    throw new RangeError(
      `Cars stand on lifts ${taken.join(", ")}: each on one of its own of ${lifts}, from 0.`,
    );
  for (const job of jobs) {
    whole(`${job.id}'s promise`, job.promisedAt ?? 0, 0, MOST_MINUTES);
    whole(`${job.id}'s slack`, job.slack ?? 0, 0, MOST_MINUTES * MOST_ACTS);
    const known = new Set(job.acts.map(({ id }) => id));
    for (const act of job.acts) readAct(job.id, act, known);
  }
  return { ...given, terms, jobs: jobs.map((job) => ({ ...job, acts: inOrder(job) })) };
}
