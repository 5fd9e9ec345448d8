import type { DayAct, DayPerson } from "./day.ts";

/** A stretch of somebody's day or of a lift's, and whose job it is for. */
export interface Slot {
  job: number;
  start: number;
  end: number;
}

interface Hold extends Slot {
  /** More of this job's acts on the lift are to come: nobody else may count on it. */
  isOpen: boolean;
}

const NEVER = Number.POSITIVE_INFINITY;
/** No job has this place. */
const NOBODYS = -2;
const meets = (slot: { start: number; end: number }, start: number, end: number) =>
  start < slot.end && slot.start < end;

/** From when on a stretch of so many minutes is clear of these slots, from `start` on. */
function clearFrom(slots: readonly Slot[], start: number, minutes: number, apartFrom = NOBODYS): number {
  let at = start;
  for (let isMoved = true; isMoved; ) {
    isMoved = false;
    for (const slot of slots)
      if (slot.job !== apartFrom && meets(slot, at, at + minutes)) {
        at = slot.end;
        isMoved = true;
      }
  }
  return at;
}

/** Who and what is taken when, on the day that is being laid. */
export class Board {
  private readonly rows: Slot[][];
  private readonly tails: number[];
  private readonly engines: Slot[][];
  private readonly holds: Hold[][];
  private readonly liftOf = new Map<number, { lift: number; hold: Hold }>();

  constructor(
    private readonly people: readonly DayPerson[],
    private readonly closed: readonly (readonly Slot[])[],
    lifts: number,
  ) {
    this.rows = people.map(() => []);
    this.tails = people.map(() => 0);
    this.engines = people.map(() => []);
    this.holds = Array.from({ length: lifts }, () => []);
  }

  /** When a person could begin with so much, from `from` on; `isLast` behind all that was laid for them so far. */
  personFrom(person: number, act: DayAct, job: number, from: number, isLast: boolean): number {
    const { from: comes = 0, to = 0 } = this.people[person] ?? {};
    let at = Math.max(from, comes, isLast ? (this.tails[person] ?? 0) : 0);
    for (;;) {
      const clear = clearFrom(this.closed[person] ?? [], at, act.minutes);
      const free = clearFrom(this.rows[person] ?? [], clear, act.minutes);
      const cool = act.hot
        ? clearFrom(this.engines[person] ?? [], free, act.minutes + (act.restAfter ?? 0), job)
        : free;
      if (cool === at) break;
      at = cool;
    }
    return at + act.minutes <= to ? at : NEVER;
  }

  /**
   * When a lift could be had by this job from `from` on, for so many minutes at least; which, where it has none yet: `was`, the one that
   * its car stood on, or the soonest.
   */
  liftFrom(
    job: number,
    from: number,
    minutes: number,
    was: number | undefined,
  ): { at: number; lift: number } {
    const own = this.liftOf.get(job);
    if (own) {
      const { hold, lift } = own;
      const since = Math.min(hold.start, from);
      const until = Math.max(hold.end, from + minutes);
      const isHit = (this.holds[lift] ?? []).some((other) => other !== hold && meets(other, since, until));
      return { at: isHit ? NEVER : from, lift };
    }
    let best = { at: NEVER, lift: -1 };
    for (const [lift, holds] of this.holds.entries()) {
      if (was !== undefined && lift !== was) continue;
      const at = holds.some(({ isOpen }) => isOpen) ? NEVER : clearFrom(holds, from, minutes);
      if (at < best.at) best = { at, lift };
    }
    return best;
  }

  /** Writes an act into the rows of who does it and of its lift. */
  put(
    act: DayAct,
    job: number,
    who: readonly number[],
    start: number,
    lift: number | undefined,
    isReserved: boolean,
  ): void {
    const end = start + act.minutes;
    for (const person of who) {
      this.rows[person]?.push({ job, start, end });
      if (!isReserved) this.tails[person] = Math.max(this.tails[person] ?? 0, end);
      if (act.hot) this.engines[person]?.push({ job, start, end: end + (act.restAfter ?? 0) });
    }
    if (lift === undefined) return;
    const own = this.liftOf.get(job);
    if (own) {
      own.hold.start = Math.min(own.hold.start, start);
      own.hold.end = Math.max(own.hold.end, end);
      return;
    }
    const hold = { job, start, end, isOpen: !isReserved };
    this.holds[lift]?.push(hold);
    this.liftOf.set(job, { lift, hold });
  }

  /** A car that stands on a lift already has it from now on. */
  standsOn(job: number, lift: number, now: number): void {
    const hold = { job, start: now, end: now, isOpen: true };
    this.holds[lift]?.push(hold);
    this.liftOf.set(job, { lift, hold });
  }

  /** Takes an act out again that was only reserved. */
  take(act: DayAct, job: number, who: readonly number[], start: number): void {
    const isOther = (slot: Slot) =>
      slot.job !== job || slot.start !== start || slot.end < start + act.minutes;
    for (const person of who) {
      this.rows[person] = (this.rows[person] ?? []).filter(isOther);
      this.engines[person] = (this.engines[person] ?? []).filter(isOther);
    }
  }

  /** The job has no more acts that want a lift. */
  release(job: number): void {
    const own = this.liftOf.get(job);
    if (own) own.hold.isOpen = false;
  }

  /** How often each person goes from one car to another. */
  changes(): number {
    let changes = 0;
    for (const row of this.rows) {
      const inTime = [...row].sort((a, b) => a.start - b.start || a.end - b.end);
      for (let index = 1; index < inTime.length; index++)
        if (inTime[index]?.job !== inTime[index - 1]?.job) changes++;
    }
    return changes;
  }
}
