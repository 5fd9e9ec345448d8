import { addDays, dayInZone, momentInZone } from "../../kernel/days/index.ts";
import type { DayAct, DayGiven, DayJob, DayPerson, Slip } from "../../trade/schedule/index.ts";
import type { Piece } from "./piece.ts";

const MINUTE_MS = 60_000;
/** A promise further off than that presses on nothing yet, minutes. */
const MOST_MINUTES = 3 * 24 * 60;
/** More pieces no shop does in a day, and laying them takes too long. */
const MOST_PIECES = 400;

/** When a shop is open and what it has, by its own clock: "08:00". */
export interface ShopHours {
  /** Monday 1 to Sunday 7. */
  days: readonly number[];
  opens: string;
  closes: string;
  breaks: readonly { from: string; to: string }[];
  lifts: number;
}

/** Until a shop has said otherwise. */
export const USUAL_HOURS: ShopHours = {
  days: [1, 2, 3, 4, 5],
  opens: "08:00",
  closes: "17:00",
  breaks: [{ from: "12:00", to: "12:30" }],
  lifts: 2,
};

/** Somebody who isn't here, or a lift that can't be used, ISO 8601. */
export interface Away {
  personId?: string;
  /** From 1, as they are called. */
  lift?: number;
  from: string;
  until: string;
}

/** A piece that somebody holds to a person or a time. */
export interface Hold {
  jobId: string;
  piece: string;
  personId?: string;
  at?: string;
}

/** A job as the day wants it. */
export interface DayWork {
  id: string;
  /** The lift that the car stands on, from 1. */
  lift?: number;
  promisedAt?: string;
  pieces: readonly Piece[];
}

export interface DayShop {
  now: string;
  timeZone: string;
  hours: ShopHours;
  /** Who works with their hands. */
  people: readonly string[];
  away: readonly Away[];
  holds: readonly Hold[];
}

/** Where a piece lies, ISO 8601. */
export interface DaySlip {
  jobId: string;
  piece: string;
  people: readonly string[];
  from: string;
  until: string;
  /** From 1. */
  lift?: number;
}

/** A day with what there is to lay in it. */
export interface TheDay {
  /** Such as 2031-03-06: today, or the next that the shop is open. */
  day: string;
  opensAt: string;
  closesAt: string;
  /** The lifts that can be used, as they are called. */
  lifts: readonly number[];
  /** Jobs that are more than one day is laid for. */
  beyond: ReadonlySet<string>;
  /** When the shop opens in the fortnight after this day, minutes from this day's midnight; one at least. */
  opensNext: readonly number[];
  given: DayGiven;
}

const weekday = (day: string) => ((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) + 1;

/** The day to lay: this one until the shop closes, else the next that it opens; a shop that never opens is laid today. */
function whichDay({ now, timeZone, hours }: DayShop): string {
  const today = dayInZone(new Date(now), timeZone);
  const isOpen = (day: string) => hours.days.includes(weekday(day));
  if (isOpen(today) && Date.parse(now) < momentInZone(`${today} ${hours.closes}`, timeZone)) return today;
  for (let ahead = 1; ahead <= 7; ahead++) if (isOpen(addDays(today, ahead))) return addDays(today, ahead);
  return today;
}

/** Work for longer than that is told as if the shop were open every day after it. */
const FORTNIGHT = 14;

/** When the shop opens in the fortnight after this day; every day where no day is said. */
function openingsAfter(day: string, { hours, timeZone }: Pick<DayShop, "hours" | "timeZone">): string[] {
  const all = Array.from({ length: FORTNIGHT }, (_, ahead) => addDays(day, ahead + 1));
  const open = all.filter((next) => hours.days.includes(weekday(next)));
  return (open.length > 0 ? open : all).map((next) =>
    new Date(momentInZone(`${next} ${hours.opens}`, timeZone)).toISOString(),
  );
}

/** Minutes of one day: they run on through a clock that is put forward or back. */
export function minutesOf(day: string, timeZone: string) {
  const midnight = momentInZone(`${day} 00:00`, timeZone);
  return {
    of: (iso: string) => Math.floor((Date.parse(iso) - midnight) / MINUTE_MS),
    at: (minutes: number) => new Date(midnight + minutes * MINUTE_MS).toISOString(),
    byClock: (clock: string) =>
      Math.round((momentInZone(`${day} ${clock}`, timeZone) - midnight) / MINUTE_MS),
  };
}

const within = (minutes: number) => Math.min(MOST_MINUTES, Math.max(0, minutes));

export type Minutes = ReturnType<typeof minutesOf>;

function peopleOf({ people, hours, away }: DayShop, { byClock, of }: Minutes): DayPerson[] {
  return people.map((id) => ({
    id,
    from: byClock(hours.opens),
    to: Math.max(byClock(hours.opens), byClock(hours.closes)),
    breaks: [
      ...hours.breaks.map(({ from, to }) => [byClock(from), Math.max(byClock(from), byClock(to))] as const),
      ...away
        .filter(({ personId }) => personId === id)
        .map(({ from, until }) => [within(of(from)), Math.max(within(of(from)), within(of(until)))] as const),
    ],
  }));
}

function actOf(piece: Piece, work: DayWork, shop: DayShop, now: number, day: Minutes, here: Here): DayAct {
  const hold = shop.holds.find((each) => each.jobId === work.id && each.piece === piece.id);
  const by = hold?.personId ?? piece.by;
  const heldAt = hold?.at === undefined ? undefined : day.of(hold.at);
  const isAhead = heldAt !== undefined && heldAt >= now && heldAt <= MOST_MINUTES;
  const isRunning = piece.since !== undefined && !here.isOut(by, now, piece.minutes);
  const known = new Set(work.pieces.map(({ id }) => id));
  return {
    id: piece.id,
    minutes: piece.minutes,
    people: piece.people,
    after: piece.after.filter((id) => known.has(id)),
    ...(piece.same !== undefined && known.has(piece.same) && { same: piece.same }),
    ...(piece.rest && { restAfter: piece.rest.minutes }),
    ...(piece.notBefore && { notBefore: within(day.of(piece.notBefore.at)) }),
    ...(piece.isRaised && here.hasLifts && { lift: true }),
    ...(piece.isHot && { hot: true }),
    ...(by !== undefined && shop.people.includes(by) && { by }),
    ...(isAhead ? { at: heldAt } : isRunning ? { at: now } : {}),
  };
}

interface Here {
  hasLifts: boolean;
  isOut: (person: string | undefined, from: number, minutes: number) => boolean;
}

/** What nobody knows the beginning of, and all that comes after it. */
function heldUp(pieces: readonly Piece[]): ReadonlySet<string> {
  const up = new Set(pieces.filter(({ isHeld }) => isHeld).map(({ id }) => id));
  for (const { id, after } of pieces) if (after.some((before) => up.has(before))) up.add(id);
  return up;
}

/** Those that are promised latest, or came last, where there are too many. */
function beyondOf(works: readonly DayWork[]): ReadonlySet<string> {
  const pressing = [...works].sort((a, b) => ((a.promisedAt ?? "9") < (b.promisedAt ?? "9") ? -1 : 1));
  const beyond = new Set<string>();
  let count = 0;
  for (const { id, pieces } of pressing) {
    count += pieces.length;
    if (count > MOST_PIECES) beyond.add(id);
  }
  return beyond;
}

function beforeOf(
  laid: readonly DaySlip[],
  jobs: readonly DayJob[],
  day: Minutes,
  lifts: readonly number[],
): Slip[] {
  const minutes = new Map(
    jobs.flatMap(({ id, acts }) => acts.map((act) => [`${id} ${act.id}`, act] as const)),
  );
  return laid.flatMap(({ jobId, piece, people, from, lift }) => {
    const act = minutes.get(`${jobId} ${piece}`);
    const start = day.of(from);
    if (!act || start < 0 || (act.lift && lift === undefined)) return [];
    return [
      {
        job: jobId,
        act: piece,
        people,
        start,
        // As long as it takes now: what has grown or shrunk a little may still begin when it was to.
        end: start + act.minutes,
        ...(act.lift && lift !== undefined && lifts.includes(lift) && { lift: lifts.indexOf(lift) }),
      },
    ];
  });
}

/**
 * The day of a shop, ready to be laid by `planDay`: its hours, who is here when, and the pieces of every job in whole minutes from the
 * day's own midnight. `laid`: the day as it lay last, whose slips stay where they can.
 */
export function theDay(works: readonly DayWork[], shop: DayShop, laid: readonly DaySlip[] = []): TheDay {
  const day = whichDay(shop);
  const minutes = minutesOf(day, shop.timeZone);
  const opens = minutes.byClock(shop.hours.opens);
  const now = Math.max(opens, minutes.of(shop.now), 0);
  const people = peopleOf(shop, minutes);
  const broken = shop.away.filter(({ lift, from, until }) => {
    return lift !== undefined && minutes.of(from) <= now && minutes.of(until) > now;
  });
  const lifts = Array.from({ length: shop.hours.lifts }, (_, lift) => lift + 1).filter(
    (each) => !broken.some(({ lift }) => lift === each),
  );
  const here: Here = {
    hasLifts: shop.hours.lifts > 0,
    isOut: (id, from, length) =>
      people
        .filter((person) => id === undefined || person.id === id)
        .every(({ breaks = [] }) => breaks.some(([since, until]) => from < until && since < from + length)),
  };
  const taken = new Set<number>();
  const standsOn = ({ lift, pieces }: DayWork): number | undefined => {
    // Of two cars that are said to stand on one lift the first does.
    if (lift === undefined || !lifts.includes(lift) || taken.has(lift)) return undefined;
    if (!pieces.some(({ isRaised }) => isRaised)) return undefined;
    taken.add(lift);
    return lifts.indexOf(lift);
  };
  const beyond = beyondOf(works);
  const jobs = works
    .filter(({ id }) => !beyond.has(id))
    .map((work): DayJob => {
      const onLift = standsOn(work);
      const up = heldUp(work.pieces);
      const promised = work.promisedAt === undefined ? undefined : minutes.of(work.promisedAt);
      const free = { ...work, pieces: work.pieces.filter(({ id }) => !up.has(id)) };
      return {
        id: work.id,
        ...(promised !== undefined && promised <= MOST_MINUTES && { promisedAt: Math.max(0, promised) }),
        ...(onLift !== undefined && { onLift }),
        acts: free.pieces.map((piece) => actOf(piece, free, shop, now, minutes, here)),
      };
    });
  return {
    day,
    opensAt: minutes.at(opens),
    closesAt: minutes.at(minutes.byClock(shop.hours.closes)),
    opensNext: openingsAfter(day, shop).map(minutes.of),
    lifts,
    beyond,
    given: { now, people, lifts: lifts.length, jobs, before: beforeOf(laid, jobs, minutes, lifts) },
  };
}
