import { describe, expect, it } from "vitest";
import { putBack, tookOff } from "../../core/book/acts/index.ts";
import type { Entry } from "../../core/book/entry/index.ts";
import { type Around, JobBook } from "./job-book.ts";
import { Outbox, withUnsent } from "./outbox.ts";

const SHROUD = { account: "part", item: "shroud" } as const;
const BOLT = { account: "fastener", item: "M6×20", place: "bag 1" } as const;

/** A book in a browser without a server: what is booked stays here, and is what the next act is held against. */
function bench(terms: Partial<Around> = {}) {
  let now = 0;
  const heard: string[] = [];
  const outbox = new Outbox({
    personId: "tobin",
    store: { all: async () => [], put: async () => {}, remove: async () => {} },
    send: async () => "unreachable",
    onBooked: async () => {},
    now: () => now,
  });
  const book = new JobBook({ outbox, announce: (words) => heard.push(words), now: () => now });
  const lines = (): readonly Entry[] => withUnsent([], outbox.snapshot().unsent, "job");
  const see = () =>
    book.know({
      jobId: "job",
      stage: "strip",
      system: "metric",
      isSigned: false,
      entries: lines(),
      ...terms,
    });
  see();
  return {
    book,
    heard,
    lines,
    see,
    waits: (ms: number) => {
      now += ms;
    },
  };
}

describe("a job's book in the browser", () => {
  it("takes the same tap once, a counted thing as often as it is tapped, and a later tap again", () => {
    const { book, lines, waits } = bench();
    expect(book.book({ kind: "note", text: "wet" })).toBe(true);
    expect(book.book({ kind: "note", text: "wet" })).toBe(false);
    expect(book.notice()).toBe("The same tap twice: booked once.");
    for (const _ of [1, 2]) expect(book.book(tookOff(BOLT, 1))).toBe(true);
    expect(book.notice()).toBe("");
    waits(700);
    expect(book.book({ kind: "note", text: "wet" })).toBe(true);
    expect(lines()).toHaveLength(4);
  });

  it("takes a tick once, whether the page has drawn it since or not", () => {
    const { book, lines, see, waits } = bench();
    expect(book.book(tookOff(SHROUD), ["a"])).toBe(true);
    waits(5000);
    expect(book.book(tookOff(SHROUD), ["a"])).toBe(false);
    see();
    expect(book.book(tookOff(SHROUD), ["a"])).toBe(false);
    expect(book.notice()).toBe("That is ticked already: booked once.");
    expect(lines()).toHaveLength(1);
  });

  it("refuses what the book wouldn't take, says why, and queues nothing of the act", () => {
    const { book, lines } = bench();
    const told: string[] = [];
    book.subscribe(() => told.push(book.notice()));
    expect(book.book([tookOff(SHROUD), putBack(BOLT, 3)])).toBe(false);
    expect(lines()).toEqual([]);
    expect(told).toEqual([book.notice()]);
    expect(book.notice()).not.toBe("");
  });

  it("takes nothing but corrections once the job is signed", () => {
    const { book, lines } = bench({ isSigned: true });
    expect(book.book(tookOff(SHROUD))).toBe(false);
    expect(lines()).toEqual([]);
  });

  it("gives each line its stage and time, its own where the draft says so", () => {
    const { book, lines } = bench();
    book.book([
      { kind: "note", text: "now" },
      { kind: "note", text: "then", stage: "ask", at: "2031-03-04T08:00:00.000Z" },
    ]);
    expect(lines().map(({ stage, at }) => [stage, at])).toEqual([
      ["strip", "1970-01-01T00:00:00.000Z"],
      ["ask", "2031-03-04T08:00:00.000Z"],
    ]);
  });
});
