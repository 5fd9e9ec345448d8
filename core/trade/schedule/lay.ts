import { Board, type Slot } from "./board.ts";
import type { DayAct, DayGiven, DayTerms, Slip } from "./day.ts";
import type { Bound, Genes, Laid, Place, Task } from "./laid.ts";
import { expectedLate } from "./lateness.ts";
import { leftOut } from "./left-out.ts";
import { whyNot, whyNotHeld } from "./why-not.ts";

/** A day that has room for everything is better than any that leaves something out. */
const ANY_LEFT_OUT = 1e9;
/** There, a promise that is broken at all weighs as much as a quarter of an hour of work left out: hands kept busy are no reason for it. */
const BROKEN = 450;
const DAY_MINUTES = 1440;
/**
 * A slip that somebody has seen, and that moves all the same, weighs as much as a car that stands open for so many minutes: what is next
 * for somebody. What comes later has been looked at less, and hours of work held to a morning's order would end later than work in any.
 */
const MOVE = 90;
const MOVE_LATER = 30;
const FADES_MINUTES = 60;
const NEVER = Number.POSITIVE_INFINITY;
const NOBODY_HERE = -2;

/** How long a job wants a lift at least: its acts on it with their rests, one after another. */
const liftStretch = (on: readonly DayAct[]) =>
  on.reduce(
    (sum, { minutes, restAfter = 0 }, index) => sum + minutes + (index < on.length - 1 ? restAfter : 0),
    0,
  );

/** The day made ready to be laid again and again. */
export class Day {
  readonly tasks: Task[] = [];
  private readonly was: (Slip | undefined)[];
  private readonly closed: Slot[][];
  private readonly personOf: Map<string, number>;
  readonly closes: number;
  readonly night: number;
  private readonly liftActs: number[];
  private readonly stretches: number[];
  private readonly all: readonly number[];
  private readonly held: readonly Task[];
  private readonly inOldOrder: readonly Task[];

  constructor(private readonly given: DayGiven & { terms: DayTerms }) {
    for (const [job, { acts }] of given.jobs.entries()) {
      const first = this.tasks.length;
      const at = new Map(acts.map(({ id }, index) => [id, first + index]));
      for (const [index, act] of acts.entries())
        this.tasks.push({
          index: first + index,
          job,
          act,
          after: (act.after ?? []).flatMap((id) => at.get(id) ?? []),
          ...(act.same !== undefined && { same: at.get(act.same) as number }),
        });
    }
    const known = new Map((given.before ?? []).map((slip) => [JSON.stringify([slip.job, slip.act]), slip]));
    this.was = this.tasks.map(({ job, act }) => known.get(JSON.stringify([given.jobs[job]?.id, act.id])));
    this.closed = given.people.map(({ breaks = [] }) =>
      breaks.map(([start, end]) => ({ job: -1, start, end })),
    );
    this.personOf = new Map(given.people.map(({ id }, index) => [id, index]));
    this.closes = Math.max(given.now, ...given.people.map(({ to }) => to));
    this.night = DAY_MINUTES - (this.closes - Math.min(this.closes, ...given.people.map(({ from }) => from)));
    this.all = given.people.map((_, person) => person);
    this.held = this.tasks
      .filter(({ act }) => act.at !== undefined)
      .sort((a, b) => (a.act.at ?? 0) - (b.act.at ?? 0));
    this.inOldOrder = this.tasks
      .filter((task) => this.mayStay(task))
      .sort((a, b) => (this.wasAt(a) ?? 0) - (this.wasAt(b) ?? 0));
    this.stretches = given.jobs.map(({ acts }) => liftStretch(acts.filter(({ lift }) => lift)));
    this.liftActs = given.jobs.map(({ acts }) => acts.filter(({ lift }) => lift).length);
  }

  get promises(): readonly (number | undefined)[] {
    return this.given.jobs.map(({ promisedAt }) => promisedAt);
  }

  /** Whether a job's car stands on a lift already. */
  isOnLift(job: number): boolean {
    return this.given.jobs[job]?.onLift !== undefined;
  }

  /** When an act was to begin as the day was laid last; nothing where it wasn't in it. */
  wasAt({ index }: Task): number | undefined {
    return this.was[index]?.start;
  }

  /** The same where it is so near that somebody may have prepared for it. */
  isNear(task: Task): boolean {
    return (this.wasAt(task) ?? Number.POSITIVE_INFINITY) < this.given.now + FADES_MINUTES;
  }

  get people(): number {
    return this.given.people.length;
  }

  /** Whether an act was laid before, and may lie there still as far as it alone is asked. */
  mayStay({ index, act }: Task): boolean {
    const slip = this.was[index];
    if (!slip || act.at !== undefined || slip.end - slip.start !== act.minutes) return false;
    if (slip.start < Math.max(this.given.now, act.notBefore ?? 0)) return false;
    if (slip.people.length !== (act.people ?? 1) || (act.by !== undefined && !slip.people.includes(act.by)))
      return false;
    if (Boolean(act.lift) !== (slip.lift !== undefined) || (slip.lift ?? -1) >= this.given.lifts)
      return false;
    return slip.people.every((id) => {
      const person = this.given.people[this.personOf.get(id) ?? -1];
      const isClosed = (person?.breaks ?? []).some(([from, to]) => slip.start < to && from < slip.end);
      return person !== undefined && person.from <= slip.start && slip.end <= person.to && !isClosed;
    });
  }

  /** Lays the day as these genes say, each act as soon as it can be. */
  lay(genes: Genes): Laid {
    const { tasks, given } = this;
    const board = new Board(given.people, this.closed, given.lifts);
    const places: (Place | undefined)[] = new Array(tasks.length);
    const reserved = new Map<number, Place>();
    for (const [job, { onLift }] of given.jobs.entries())
      if (onLift !== undefined && (this.liftActs[job] ?? 0) > 0) board.standsOn(job, onLift, given.now);
    for (const task of this.inOldOrder)
      if (genes.stays[task.index]) this.reserve(task, this.was[task.index] as Slip, board, reserved);
    for (const task of this.held) this.hold(task, board, reserved);

    const because: (string | undefined)[] = new Array(tasks.length);
    const liftsLeft = [...this.liftActs];
    for (const index of genes.order) {
      const task = tasks[index] as Task;
      const { act, job } = task;
      const ready = this.readyAt(task, places);
      const there = reserved.get(index);
      const hands = task.same === undefined ? undefined : places[task.same]?.who[0];
      const isWithOthers = hands !== undefined && act.at === undefined && !there?.who.includes(hands);
      const isHeldNow = act.at !== undefined && act.at < given.now && ready < NEVER;
      if (there && !isWithOthers && (there.start >= ready || isHeldNow)) places[index] = there;
      else if (act.at !== undefined) because[index] = whyNotHeld(act.by, ready < NEVER, there !== undefined);
      else {
        if (there) board.take(act, job, there.who, there.start);
        const place = ready < NEVER ? this.placeFor(task, ready, hands, genes, board) : undefined;
        if (place) {
          board.put(act, job, place.who, place.start, place.lift, false);
          places[index] = place;
        } else because[index] = whyNot(act, ready < NEVER, given);
      }
      if (act.lift && --(liftsLeft[job] as number) === 0) board.release(job);
    }
    return this.told(places, because, board);
  }

  private reserve(task: Task, slip: Slip, board: Board, reserved: Map<number, Place>): void {
    const { act, job, index } = task;
    const who = slip.people.map((id) => this.personOf.get(id) ?? -1);
    if (
      who.some((person) => person < 0 || board.personFrom(person, act, job, slip.start, false) !== slip.start)
    )
      return;
    // A car stays on its lift: it may stand there in parts.
    const on = act.lift ? board.liftFrom(job, slip.start, act.minutes, slip.lift) : undefined;
    if (on && (on.at !== slip.start || on.lift !== slip.lift)) return;
    board.put(act, job, who, slip.start, on?.lift, true);
    reserved.set(index, { who, start: slip.start, bound: "work", ...(on && { lift: on.lift }) });
  }

  /** An act that is held to a time lies there, with whoever can be there; under way it lies where it began. */
  private hold(task: Task, board: Board, reserved: Map<number, Place>): void {
    const { act, job, index } = task;
    const at = act.at ?? 0;
    const can = this.given.people
      .map((_, person) => person)
      .filter((person) => board.personFrom(person, act, job, at, false) === at);
    const by = act.by === undefined ? undefined : this.personOf.get(act.by);
    const who = (by === undefined ? can : [by, ...can.filter((each) => each !== by)]).slice(
      0,
      act.people ?? 1,
    );
    if (who.length < (act.people ?? 1) || (act.by !== undefined && (by === undefined || !can.includes(by))))
      return;
    const on = act.lift ? board.liftFrom(job, at, act.minutes, this.was[index]?.lift) : undefined;
    if (on && on.at !== at) return;
    board.put(act, job, who, at, on?.lift, true);
    reserved.set(index, { who, start: at, bound: "work", ...(on && { lift: on.lift }) });
  }

  /** When an act's own work lets it begin; never where what it comes after isn't placed. */
  private readyAt({ act, after }: Task, places: readonly (Place | undefined)[]): number {
    let ready = Math.max(this.given.now, act.notBefore ?? 0);
    for (const index of after) {
      const place = places[index];
      if (!place) return NEVER;
      const { minutes, restAfter = 0 } = (this.tasks[index] as Task).act;
      ready = Math.max(ready, place.start + minutes + restAfter);
    }
    return ready;
  }

  private placeFor(
    task: Task,
    ready: number,
    hands: number | undefined,
    genes: Genes,
    board: Board,
  ): Place | undefined {
    const { act, job, index } = task;
    const isLast = genes.isLast[index] === 1;
    const asked = hands ?? genes.asked[index] ?? -1;
    const whole = this.stretches[job] ?? 0;
    let from = ready;
    let bound: Bound = "work";
    for (;;) {
      const place = this.whoFrom(task, from, asked, isLast, board);
      if (place.start === NEVER) return undefined;
      if (place.start > from) bound = "people";
      place.bound = bound;
      place.waited = place.start - ready;
      if (!act.lift) return place;
      const { at, lift } = board.liftFrom(job, place.start, Math.max(act.minutes, whole), undefined);
      if (at === NEVER) return undefined;
      place.lift = lift;
      if (at === place.start) return place;
      from = at;
      bound = "lift";
    }
  }

  /** Who could do it soonest, from then on; whoever is asked first does it, if they can at all. */
  private whoFrom(task: Task, from: number, asked: number, isLast: boolean, board: Board): Place {
    const { by } = task.act;
    const held = by === undefined ? -1 : (this.personOf.get(by) ?? NOBODY_HERE);
    const best: Place = { who: [], start: NEVER, bound: "work" };
    if (held === NOBODY_HERE) return best;
    const first = held >= 0 ? held : asked;
    if (first >= 0) this.withPerson(task, first, from, isLast, board, best);
    if (best.start === NEVER && held < 0)
      for (const person of this.all) this.withPerson(task, person, from, isLast, board, best);
    return best;
  }

  /** Puts this person, with a second one where two are wanted, into `best` if that is sooner. */
  private withPerson(
    task: Task,
    person: number,
    from: number,
    isLast: boolean,
    board: Board,
    best: Place,
  ): void {
    const { act, job } = task;
    if ((act.people ?? 1) === 1) {
      const start = board.personFrom(person, act, job, from, isLast);
      if (start >= best.start) return;
      best.start = start;
      best.who = [person];
      return;
    }
    for (const other of this.all) {
      if (other === person) continue;
      let start = from;
      for (let last = -1; last !== start && start < best.start; ) {
        last = start;
        start = board.personFrom(other, act, job, board.personFrom(person, act, job, start, isLast), isLast);
      }
      if (start >= best.start) continue;
      best.start = start;
      best.who = [person, other];
    }
  }

  private told(places: readonly (Place | undefined)[], because: (string | undefined)[], board: Board): Laid {
    const { given, tasks } = this;
    const { lateMinute, openMinute, changeOfCar } = given.terms;
    const ends = given.jobs.map(() => given.now);
    const left = given.jobs.map(() => 0);
    let moved = 0;
    let moving = 0;
    for (const { index, job, act } of tasks) {
      const place = places[index];
      if (!place) {
        left[job] = (left[job] ?? 0) + act.minutes + (act.restAfter ?? 0) + 1;
        ends[job] = Math.max(ends[job] ?? 0, this.closes);
        continue;
      }
      ends[job] = Math.max(ends[job] ?? 0, place.start + act.minutes);
      if (!this.hasMoved(index, place)) continue;
      moved++;
      moving += this.moveOf(index);
    }
    const cost = given.jobs.reduce((sum, each, job) => {
      const end = ends[job] ?? given.now;
      return sum + expectedLate(end, each, this) * lateMinute + (end - given.now) * openMinute;
    }, board.changes() * changeOfCar);
    const rest = cost + moving;
    return {
      places,
      because,
      ends,
      cost,
      moved,
      worth: left.some((minutes) => minutes > 0) ? this.worthOfPart(left, ends) + rest : rest,
    };
  }

  /** What a day that leaves something out weighs beyond its cost. */
  private worthOfPart(left: readonly number[], ends: readonly number[]): number {
    return this.given.jobs.reduce((sum, { promisedAt }, job) => {
      const minutes = left[job] ?? 0;
      if (minutes > 0) return sum + leftOut(minutes, promisedAt, this, this.given.terms);
      return sum + (promisedAt !== undefined && (ends[job] ?? 0) > promisedAt ? BROKEN : 0);
    }, ANY_LEFT_OUT);
  }

  private moveOf(index: number): number {
    const ahead = Math.max(0, (this.was[index]?.start ?? 0) - this.given.now);
    return Math.max(MOVE_LATER, MOVE * Math.exp(-ahead / FADES_MINUTES));
  }

  private hasMoved(index: number, { who, start, lift }: Place): boolean {
    const was = this.was[index];
    return (
      was !== undefined &&
      (was.start !== start ||
        was.lift !== lift ||
        !who.every((person) => was.people.includes(this.idOf(person))))
    );
  }

  private idOf(person: number): string {
    return this.given.people[person]?.id ?? "";
  }

  /** Where each act lies; nothing where it is left out. */
  slipsOf({ places }: Laid): (Slip | undefined)[] {
    return this.tasks.map(({ index, job, act }) => {
      const place = places[index];
      if (!place) return undefined;
      const { who, start, lift } = place;
      return {
        job: this.given.jobs[job]?.id ?? "",
        act: act.id,
        people: who.map((person) => this.idOf(person)),
        start,
        end: start + act.minutes,
        ...(lift !== undefined && { lift }),
      };
    });
  }
}
