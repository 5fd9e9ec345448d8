import type { DaySlip, Piece } from "../../core/stages/day/index.ts";

export const WAYS = ["people", "lifts", "cars"] as const;
/** Whose lanes the day is ruled in. */
export type Way = (typeof WAYS)[number];

/** A car that somebody is at without going to another: pieces of one job, one behind another. */
export interface Stay {
  key: string;
  jobId: string;
  slips: readonly DaySlip[];
  from: string;
  until: string;
  /** Below how many others it lies that are on at the same time. */
  level: number;
}

/** Something that passes by itself behind a piece. */
export interface Rest {
  key: string;
  jobId: string;
  from: string;
  until: string;
  words: string;
  /** Below how many others it lies whose words would stand on its own. */
  level: number;
}

export interface Lane {
  key: string;
  name: string;
  stays: Stay[];
  rests: Rest[];
}

const MINUTE_MS = 60_000;
/** A moment between two pieces of one car is no leaving it. */
const AT_ONCE_MS = 2 * MINUTE_MS;

/** What a plate is called across a shop: its figures at the end, where no other car here has the same. */
export function shortPlate(plate: string, all: readonly string[]): string {
  const tail = (each: string) => /\d{2,}$/.exec(each.replace(/\s+$/, ""))?.[0] ?? each;
  const own = tail(plate);
  return new Set(all.filter((each) => tail(each) === own)).size > 1 ? plate : own;
}

/** Stays in their order; one that is narrower than a finger takes as much room, and what follows too soon lies below it. */
function staysOf(
  slips: readonly DaySlip[],
  fingerMs: number,
  isOne: (before: DaySlip, next: DaySlip) => boolean,
): Stay[] {
  const stays: DaySlip[][] = [];
  for (const slip of [...slips].sort((a, b) => (a.from < b.from ? -1 : 1))) {
    const last = stays.at(-1);
    const before = last?.at(-1);
    if (last && before && before.jobId === slip.jobId && isOne(before, slip)) last.push(slip);
    else stays.push([slip]);
  }
  const ends: number[] = [];
  return stays.map((own) => ({
    key: `${own[0]?.jobId} ${own[0]?.piece}`,
    jobId: own[0]?.jobId ?? "",
    slips: own,
    from: own[0]?.from ?? "",
    until: endOf(own),
    level: levelOf(own, fingerMs, ends),
  }));
}

const endOf = (own: readonly DaySlip[]) =>
  own
    .map(({ until }) => until)
    .sort()
    .at(-1) ?? "";

/** How wide the words of a wait are, by a finger's width; those that end soon after each other lie below one another. */
const WORDS_IN_FINGERS = 2.2;

function levelled(rests: readonly Omit<Rest, "level">[], fingerMs: number): Rest[] {
  const wordsMs = fingerMs * WORDS_IN_FINGERS;
  const ends: number[] = [];
  return [...rests]
    .sort((a, b) => (a.from < b.from ? -1 : 1))
    .map((rest) => {
      const from = Date.parse(rest.from);
      const until = Date.parse(rest.until);
      const free = ends.findIndex((end) => end <= from);
      const level = free < 0 ? ends.length : free;
      // Its words stand at its end, before it where there is room, else behind.
      ends[level] = until - from < wordsMs ? until + wordsMs : until;
      return { ...rest, level };
    });
}

/** The first level whose last stay is over by then. */
function levelOf(own: readonly DaySlip[], fingerMs: number, ends: number[]): number {
  const from = Date.parse(own[0]?.from ?? "");
  const free = ends.findIndex((end) => end <= from);
  const level = free < 0 ? ends.length : free;
  ends[level] = Math.max(Date.parse(endOf(own)), from + fingerMs);
  return level;
}

const isAtOnce = (before: DaySlip, next: DaySlip) =>
  Date.parse(next.from) - Date.parse(before.until) <= AT_ONCE_MS;

/** The day's slips in lanes: a person's, a lift's with whoever stands on none, or a car's; each with its waits. */
export function lanesOf(
  way: Way,
  slips: readonly DaySlip[],
  {
    people,
    lifts,
    cars,
    pieceOf,
    fingerMs = 0,
  }: {
    people: readonly { id: string; name: string }[];
    lifts: number;
    cars: readonly { id: string; name: string }[];
    pieceOf: (slip: DaySlip) => Piece | undefined;
    fingerMs?: number;
  },
): Lane[] {
  const restsOf = (own: readonly DaySlip[]): Rest[] =>
    levelled(
      own.flatMap((slip) => {
        const rest = pieceOf(slip)?.rest;
        if (!rest) return [];
        const until = new Date(Date.parse(slip.until) + rest.minutes * MINUTE_MS).toISOString();
        return [
          {
            key: `${slip.jobId} ${slip.piece}`,
            jobId: slip.jobId,
            from: slip.until,
            until,
            words: rest.words,
          },
        ];
      }),
      fingerMs,
    );
  const lane = (
    key: string,
    name: string,
    own: readonly DaySlip[],
    isOne = isAtOnce,
    hasRests = true,
  ): Lane => ({
    key,
    name,
    stays: staysOf(own, fingerMs, isOne),
    rests: hasRests ? restsOf(own) : [],
  });
  if (way === "lifts") {
    const on = Array.from({ length: lifts }, (_, lift) =>
      // A car that is apart keeps its lift between two pieces.
      lane(
        `lift ${lift + 1}`,
        `Lift ${lift + 1}`,
        slips.filter((slip) => slip.lift === lift + 1),
        () => true,
      ),
    );
    return [
      ...on,
      // Many lie there at once: what each waits for is drawn in its own lane, by car.
      lane(
        "floor",
        "On the floor",
        slips.filter((slip) => slip.lift === undefined),
        isAtOnce,
        false,
      ),
    ];
  }
  if (way === "cars")
    return cars
      .map(({ id, name }) =>
        lane(
          id,
          name,
          slips.filter(({ jobId }) => jobId === id),
        ),
      )
      .filter(({ stays }) => stays.length > 0);
  return people.map(({ id, name }) => {
    const own = slips.filter((slip) => slip.people.includes(id));
    const { stays } = lane(id, name, own);
    // What two people began rests once, in the lane of the first.
    return { key: id, name, stays, rests: restsOf(own.filter((slip) => slip.people[0] === id)) };
  });
}

/** Where a moment lies between the ends of the sheet, per cent; beyond them at the end. */
export function placeOf(iso: string | number, from: number, until: number): number {
  const at = typeof iso === "number" ? iso : Date.parse(iso);
  return Math.min(100, Math.max(0, ((at - from) / Math.max(1, until - from)) * 100));
}

/** The full hours that are ruled, as moments. */
export function hoursBetween(from: number, until: number): number[] {
  const HOUR_MS = 60 * MINUTE_MS;
  const first = Math.ceil(from / HOUR_MS) * HOUR_MS;
  return Array.from(
    { length: Math.max(0, Math.floor((until - first) / HOUR_MS) + 1) },
    (_, hour) => first + hour * HOUR_MS,
  );
}
