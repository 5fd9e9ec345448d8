import type { DayPlan, ReadyRange } from "../../trade/schedule/index.ts";
import type { GivenUp } from "./kept-holds.ts";
import type { Piece } from "./piece.ts";
import { type DayShop, type DaySlip, type DayWork, type Minutes, minutesOf, type TheDay } from "./the-day.ts";

const MINUTE_MS = 60_000;

/** What doesn't lie in the day, the first of its job, and why. */
export interface NotToday {
  jobId: string;
  piece: string;
  what: string;
  because: string;
}

/** When a job is likely to be done: by the day as it is laid, ISO 8601; absent where nobody can know. */
export interface Ready {
  jobId: string;
  at?: string;
  /** Between these it is ready eight times in ten, ISO 8601. */
  from?: string;
  to?: string;
  /** What it wants isn't known yet: then no sooner than that. */
  isOpenEnded?: true;
  promisedAt?: string;
  /** Minutes after its promise, as the day lies; and why. */
  late?: { minutes: number; because: string };
}

/** A hold that couldn't be kept, and why. */
export interface LostHold {
  jobId: string;
  piece: string;
  because: string;
}

/** A day as it was laid. */
export interface LaidDay {
  day: string;
  /** ISO 8601. */
  laidAt: string;
  opensAt: string;
  closesAt: string;
  /** The lifts that could be used, as they are called. */
  lifts: readonly number[];
  slips: readonly DaySlip[];
  notToday: readonly NotToday[];
  ready: readonly Ready[];
  /** Absent where every hold is kept. */
  lostHolds?: readonly LostHold[];
  /** There was no time to lay it well: it is to be asked for again. */
  isRough?: true;
}

/** `planDay`'s own reason speaks of acts and people by their ids; a reader knows neither. */
function inWords(because: string, pieces: readonly Piece[], nameOf: (id: string) => string): string {
  const piece = pieces.find(({ id }) => because.startsWith(`${id}: `));
  const told = piece ? `${piece.what}: ${because.slice(piece.id.length + 2)}` : because;
  const [held, ...rest] = told.split(/(?<=it is held to )/);
  const who = rest[0]?.split(",")[0] ?? "";
  return rest.length > 0 && !who.startsWith("a time") ? `${held}${rest[0]?.replace(who, nameOf(who))}` : told;
}

/** Why a piece doesn't lie in the day: by what it waits for, before what the laying itself says. */
function whyNotToday(
  piece: Piece,
  pieces: readonly Piece[],
  laid: ReadonlyMap<string, DaySlip>,
  { closesAt }: TheDay,
): string | undefined {
  if (piece.isHeld) return piece.isHeld;
  const closes = Date.parse(closesAt);
  if (piece.notBefore && Date.parse(piece.notBefore.at) + piece.minutes * MINUTE_MS > closes)
    return piece.notBefore.words;
  for (const id of piece.after) {
    const before = pieces.find((each) => each.id === id);
    const slip = laid.get(id);
    if (!before?.rest || !slip) continue;
    if (Date.parse(slip.until) + before.rest.minutes * MINUTE_MS + piece.minutes * MINUTE_MS > closes)
      return before.rest.words;
  }
  return undefined;
}

/** When what is left over is done on the next open day, where nothing but time holds it up. */
function readyAfter(
  left: readonly Piece[],
  { opensNext }: TheDay,
  { at: byClock }: Minutes,
): string | undefined {
  if (left.some(({ isHeld }) => isHeld)) return undefined;
  // There is one at least.
  let at = Date.parse(byClock(opensNext[0] as number));
  for (const { minutes, notBefore, rest } of left) {
    at = Math.max(at, notBefore ? Date.parse(notBefore.at) : 0);
    // A night is over by morning.
    at += (minutes + (rest && rest.minutes < 240 ? rest.minutes : 0)) * MINUTE_MS;
  }
  return new Date(at).toISOString();
}

/** What was laid, as a reader wants it: by the clock, with words for what doesn't fit and when each job is ready. */
export function laidDay(
  plan: DayPlan,
  theDay: TheDay,
  works: readonly DayWork[],
  shop: DayShop,
  nameOf: (personId: string) => string,
  { ranges = [], gaveUp = [] }: { ranges?: readonly ReadyRange[]; gaveUp?: readonly GivenUp[] } = {},
): LaidDay {
  const minutes = minutesOf(theDay.day, shop.timeZone);
  const slips = plan.slips.map(
    ({ job, act, people, start, end, lift }): DaySlip => ({
      jobId: job,
      piece: act,
      people,
      from: minutes.at(start),
      until: minutes.at(end),
      ...(lift !== undefined && { lift: theDay.lifts[lift] ?? lift + 1 }),
    }),
  );
  const notToday: NotToday[] = [];
  const ready: Ready[] = [];
  for (const { id, pieces, promisedAt } of works) {
    const laid = new Map(
      slips.filter(({ jobId }) => jobId === id).map((slip) => [slip.piece, slip] as const),
    );
    const left = pieces.filter((piece) => !laid.has(piece.id));
    const [first] = left;
    if (first) {
      const said = plan.unplaced.find((each) => each.job === id && each.act === first.id)?.because;
      const because =
        whyNotToday(first, pieces, laid, theDay) ??
        inWords(said ?? "more cars are open than one day is laid for", pieces, nameOf);
      notToday.push({ jobId: id, piece: first.id, what: first.what, because });
    }
    const ends = [...laid.values()].map(({ until }) => until).sort();
    const at = theDay.beyond.has(id) ? undefined : first ? readyAfter(left, theDay, minutes) : ends.at(-1);
    const range = at === undefined ? undefined : ranges.find(({ job }) => job === id);
    const late = plan.late.find(({ job }) => job === id);
    ready.push({
      jobId: id,
      ...(at !== undefined && { at }),
      ...(range && { from: minutes.at(range.from), to: minutes.at(range.to) }),
      ...(pieces.some(({ isOpenEnded }) => isOpenEnded) && { isOpenEnded: true as const }),
      ...(promisedAt !== undefined && { promisedAt }),
      ...(late && { late: { minutes: late.minutes, because: inWords(late.because, pieces, nameOf) } }),
    });
  }
  const lostHolds = gaveUp.flatMap(({ job, act, because }) => {
    const isHeld = shop.holds.some(({ jobId, piece }) => jobId === job && piece === act);
    const pieces = works.find(({ id }) => id === job)?.pieces ?? [];
    return isHeld ? [{ jobId: job, piece: act, because: inWords(because, pieces, nameOf) }] : [];
  });
  return {
    day: theDay.day,
    laidAt: shop.now,
    opensAt: theDay.opensAt,
    closesAt: theDay.closesAt,
    lifts: theDay.lifts,
    slips,
    notToday,
    ready,
    ...(lostHolds.length > 0 && { lostHolds }),
  };
}
