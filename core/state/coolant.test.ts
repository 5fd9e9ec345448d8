import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { book } from "../book/entry/book.fixture.ts";
import type { Entry } from "../book/entry/index.ts";
import { dataOf, MixRead, Strength } from "../book/facts/index.ts";
import type { Kind } from "../trade/coolant/index.ts";
import { gathered, rowsOf } from "../trade/worlds/worlds.fixture.ts";
import { type CoolantCard, coolantState, othersIn } from "./coolant.ts";

const fileOf = (name: string) =>
  readFileSync(new URL(`../trade/worlds/${name}.csv`, import.meta.url), "utf8");

const CARD: CoolantCard = {
  capacityL: 8,
  targetFraction: 0.5,
  coolantKind: "oat",
  coolantProduct: "Fellwater Red",
};
const out = (item: string, litres: number): Partial<Entry> => ({
  account: "coolant",
  item,
  out: litres,
  unit: "L",
});
const pour = (litres: number, strength?: Partial<Strength>): Partial<Entry> => ({
  account: "coolant",
  item: "poured",
  in: litres,
  unit: "L",
  ...(strength ? { data: dataOf(Strength, { fraction: 0.5, ...strength } as Strength) } : {}),
});
const water = (litres: number) => pour(litres, { fraction: 0, product: "water" });
const reads = (fraction: number): Partial<Entry> => ({
  kind: "reading",
  item: "coolant strength",
  data: dataOf(MixRead, { fraction }),
});
const state = (...drafts: Partial<Entry>[]) => coolantState(book(drafts), CARD);

describe("what is in a system", () => {
  it("is what its card says until something moves, with what nobody has read left open", () => {
    const { litres, fraction, kinds, airL } = state();
    expect(litres).toEqual({ low: 8, likely: 8, high: 8 });
    expect(fraction.likely).toBe(0.5);
    expect(fraction.low).toBeLessThan(0.3);
    expect(kinds).toEqual([{ kind: "oat", litres: 8, share: 1 }]);
    expect(airL.likely).toBe(0);
  });

  it("knows the second fill of two by what was drained between them", () => {
    // Half out, water in, half out, ready-mixed in: 0.5 × (0.25) + 0.5 × 0.5.
    const { fraction } = state(out("drained", 4), water(4), out("drained", 4), pour(4));
    expect(fraction.likely).toBeCloseTo(0.375, 9);
  });

  it("calls nothing flushed that two and a half litres were drained of", () => {
    const wrong = [out("drained", 4), pour(4, { kind: "iat" }), out("drained", 2.5)];
    expect(othersIn(state(...wrong), "oat")).toMatchObject([{ kind: "iat", share: 0.5 }]);
    const flushed = Array.from({ length: 5 }, () => [out("drained", 7), water(7)]).flat();
    expect(othersIn(state(...wrong, ...flushed), "oat")).toEqual([]);
  });

  it("is flushed by what runs through it, and not by a word", () => {
    const wrong = [out("drained", 4), pour(4, { kind: "iat" })];
    const once = state(...wrong, water(8));
    expect(once.litres.likely).toBeLessThan(8.6);
    expect(othersIn(once, "oat")[0]?.share).toBeGreaterThan(0.15);
    expect(othersIn(state(...wrong, water(40)), "oat")).toEqual([]);
  });

  it("believes an instrument until the next litre moves", () => {
    expect(state(reads(0.3)).fraction.likely).toBeCloseTo(0.3, 9);
    expect(state(reads(0.3)).read).toMatchObject({ fraction: 0.3 });
    const after = state(reads(0.3), out("drained", 4), pour(4));
    expect(after.read).toBeUndefined();
    expect(after.fraction.likely).toBeCloseTo(0.4, 9);
  });

  it("holds open what was poured without a word of its strength, and names no kind for it", () => {
    const { fraction, kinds } = state(out("drained", 4), pour(4));
    expect(fraction.low).toBeLessThan(fraction.likely);
    expect(fraction.high).toBeGreaterThan(fraction.likely);
    expect(kinds.map(({ kind }) => kind)).toContain("unknown");
    expect(state(out("drained", 4), pour(4, { product: "fellwater red" })).kinds).toMatchObject([
      { kind: "oat" },
    ]);
  });

  it("keeps some in the block where more came out than it holds, and says so", () => {
    const { litres, isOverdrawn, kinds } = state(out("drained", 11));
    expect(isOverdrawn).toBe(true);
    expect(litres.likely).toBeCloseTo(0.24, 9);
    expect(kinds).toMatchObject([{ kind: "oat", share: 1 }]);
  });

  it("is of one glycol only where somebody said which, and of none where both are in it", () => {
    expect(state().base).toBeUndefined();
    const propylene = { base: "propylene" } as const;
    expect(state(out("drained", 8), pour(8, propylene)).base).toBe("propylene");
    expect(state(out("drained", 4), pour(4, propylene)).base).toBeUndefined();
  });

  it("is one state in whatever order its lines come", () => {
    const entries = book([
      out("drained", 4),
      pour(4, { fraction: 0.3 }),
      out("drained", 2),
      pour(2, { fraction: 1 }),
    ]);
    fc.assert(
      fc.property(fc.shuffledSubarray(entries, { minLength: 4, maxLength: 4 }), (shuffled) => {
        expect(coolantState(shuffled, CARD)).toEqual(coolantState(entries, CARD));
      }),
    );
  });
});

describe("systems that somebody else kept account of", () => {
  const books = [...gathered(rowsOf(fileOf("mixes")), "book").values()];

  it("hold the same litres and glycol as near as the file says them, and the same share of the newer kind", () => {
    expect(books.length).toBe(200);
    for (const rows of books) {
      const [begins] = rows;
      const capacityL = Number(begins?.capacity_l);
      const card = {
        capacityL,
        targetFraction: Number(begins?.true_fraction),
        coolantKind: begins?.kind ?? "",
      };
      const drafts: Partial<Entry>[] = [out("missing", capacityL - Number(begins?.in_it_l))];
      let newer: Kind | undefined;
      for (const [place, row] of rows.slice(1).entries()) {
        // The file has litres to a hundredth, so that each line may be off by half of one.
        const offL = 0.011 + 0.0055 * (place + 1);
        const litres = Number(row.litres);
        const kind = row.kind as Kind;
        if (row.what === "poured" && kind !== card.coolantKind) newer = kind;
        drafts.push(
          row.what === "poured"
            ? pour(litres, { fraction: Number(row.fraction), kind })
            : row.what === "poured water"
              ? water(litres)
              : out(row.what ?? "", litres),
        );
        const { litres: inIt, glycolL, kinds, waterL } = coolantState(book(drafts), card);
        const trueL = Number(row.in_it_l);
        expect(Math.abs(inIt.likely - trueL), `${row.book}, ${row.line}`).toBeLessThan(offL);
        expect(Math.abs(glycolL.likely - trueL * Number(row.true_fraction))).toBeLessThan(offL);
        const newerL = kinds.find((each) => each.kind === newer)?.litres ?? 0;
        expect(Math.abs(newerL / inIt.likely - Number(row.share_of_the_newer_kind))).toBeLessThan(
          0.004 + offL / inIt.likely,
        );
        expect(waterL).toBeLessThanOrEqual(inIt.likely + 1e-9);
      }
    }
  });
});

describe("any book of litres", () => {
  const move = fc.oneof(
    fc.record({
      out: fc.constantFrom("drained", "spilled", "kept"),
      litres: fc.double({ min: 0.01, max: 9, noNaN: true }),
    }),
    fc.record({
      fraction: fc.double({ min: 0, max: 1, noNaN: true }),
      litres: fc.double({ min: 0.01, max: 9, noNaN: true }),
    }),
  );
  it("never makes glycol, never holds less than none, and its parts are no more than the whole", () => {
    fc.assert(
      fc.property(fc.array(move, { maxLength: 25 }), (moves) => {
        const drafts = moves.map((each) =>
          "out" in each
            ? out(each.out, each.litres)
            : pour(each.litres, { fraction: each.fraction, kind: "iat" }),
        );
        const { litres, glycolL, fraction, kinds, waterL } = state(...drafts);
        const poured = moves.reduce(
          (sum, each) => sum + ("fraction" in each ? each.litres * each.fraction : 0),
          0,
        );
        expect(glycolL.likely).toBeLessThanOrEqual(4 + poured + 1e-9);
        for (const each of [litres, glycolL, fraction]) {
          expect(each.low).toBeGreaterThanOrEqual(0);
          expect(each.low).toBeLessThanOrEqual(each.likely + 1e-9);
          expect(each.likely).toBeLessThanOrEqual(each.high + 1e-9);
        }
        expect(fraction.high).toBeLessThanOrEqual(1);
        const parts = kinds.reduce((sum, each) => sum + each.litres, 0) + waterL;
        expect(Math.abs(parts - litres.likely)).toBeLessThan(1e-6);
      }),
      { numRuns: 500 },
    );
  });
});
