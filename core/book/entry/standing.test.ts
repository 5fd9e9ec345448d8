import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bolts, book } from "./book.fixture.ts";
import { type Entry } from "./entry.ts";
import { correctedIds, isStrike, standing } from "./standing.ts";

const strike = (corrects: string): Partial<Entry> => ({ kind: "movement", corrects });
const right = (count: number, corrects: string): Partial<Entry> => ({ ...bolts(count), corrects });
const counts = (drafts: Partial<Entry>[]) => standing(book(drafts)).map(({ out }) => out);

describe("isStrike", () => {
  const [line] = book([{ kind: "reading", corrects: "e0" }]) as [Entry];

  it("is a correction that carries nothing at all", () => {
    expect(isStrike(line)).toBe(true);
    expect(isStrike({ ...line, data: {} })).toBe(true);
    expect(isStrike({ ...line, corrects: undefined })).toBe(false);
  });

  it.each([
    { text: "gets hot" },
    { data: { fact: "no-parts", v: 1 } },
    { item: "gauge" },
    { value: 0 },
    { in: 1 },
    { place: "bag 2" },
  ])("is not one that says %j", (says) => {
    expect(isStrike({ ...line, ...says })).toBe(false);
  });
});

describe("standing", () => {
  it("puts a correction where the corrected entry stood", () => {
    const entries = book([bolts(1, "bag 1"), bolts(1, "bag 2"), { ...bolts(2, "bag 1"), corrects: "e1" }]);
    expect(standing(entries).map((entry) => entry.id)).toEqual(["e3", "e2"]);
  });

  it("lets the last of a chain of corrections count, once", () => {
    expect(counts([bolts(1), right(2, "e1"), right(3, "e2")])).toEqual([3]);
  });

  it("brings a line back when its strike is struck", () => {
    expect(counts([bolts(1), strike("e1")])).toEqual([]);
    expect(counts([bolts(1), strike("e1"), strike("e2")])).toEqual([1]);
    expect(counts([bolts(1), strike("e1"), strike("e2"), strike("e3")])).toEqual([]);
  });

  it("brings back what a struck correction had corrected", () => {
    expect(counts([bolts(1), right(2, "e1"), strike("e2")])).toEqual([1]);
    expect(counts([bolts(1), right(2, "e1"), strike("e2"), strike("e1")])).toEqual([]);
  });

  it("lets a strike be corrected into the right figures", () => {
    expect(counts([bolts(1), strike("e1"), right(4, "e2")])).toEqual([4]);
  });

  it("keeps a correction of an answer that only has words", () => {
    const said = (text: string, corrects?: string): Partial<Entry> => ({
      kind: "reading",
      item: "codes",
      text,
      ...(corrects ? { corrects } : {}),
    });
    expect(standing(book([said("P0217"), said("none", "e1")])).map(({ text }) => text)).toEqual(["none"]);
  });

  it("reads a list again that has grown", () => {
    const entries = book([bolts(1), strike("e1")]);
    const growing = entries.slice(0, 1);
    expect(standing(growing)).toHaveLength(1);
    growing.push(entries[1] as Entry);
    expect(standing(growing)).toEqual([]);
  });

  it("survives lines that correct themselves, each other or nothing that is there", () => {
    const entries = book([
      { ...bolts(1), corrects: "e1" },
      { ...bolts(2), corrects: "e3" },
      { ...bolts(3), corrects: "e2" },
      { ...bolts(4), corrects: "gone" },
    ]);
    expect(() => standing(entries)).not.toThrow();
    expect(standing(entries).some(({ out }) => out === 4)).toBe(true);
  });

  /** Any sequence of lines, corrections and strikes, each naming an earlier line or none. */
  const history = fc
    .array(fc.tuple(fc.nat(20), fc.integer({ min: 0, max: 9 })), { maxLength: 30 })
    .map((acts) =>
      book(
        acts.map(([target, count], index) => ({
          ...(count === 0 && target < index ? { kind: "movement" as const } : bolts(count + 1)),
          ...(target < index ? { corrects: `e${target + 1}` } : {}),
        })),
      ),
    );

  it("is one book in whatever order its lines arrive", () => {
    fc.assert(
      fc.property(
        history.chain((entries) =>
          fc.tuple(
            fc.constant(entries),
            fc.shuffledSubarray(entries, { minLength: entries.length, maxLength: entries.length }),
          ),
        ),
        ([entries, shuffled]) => {
          expect(standing(shuffled)).toEqual(standing(entries));
          expect(correctedIds(shuffled)).toEqual(correctedIds(entries));
        },
      ),
      { numRuns: 500 },
    );
  });

  it("lets one strike of the last line undo it exactly", () => {
    fc.assert(
      fc.property(history, (entries) => {
        const last = entries.at(-1);
        if (!last) return;
        const undo: Entry = { ...(book([strike(last.id)])[0] as Entry), id: "undo", seq: entries.length + 1 };
        const before = standing(entries.slice(0, -1)).map(({ id, order }) => [id, order]);
        expect(standing([...entries, undo]).map(({ id, order }) => [id, order])).toEqual(before);
      }),
      { numRuns: 500 },
    );
  });

  it("counts each line at most once, and none that is struck through", () => {
    fc.assert(
      fc.property(history, (entries) => {
        const counting = standing(entries);
        const off = correctedIds(entries);
        expect(new Set(counting.map(({ order }) => order)).size).toBe(counting.length);
        for (const { id } of counting) expect(off.has(id)).toBe(false);
      }),
    );
  });
});
