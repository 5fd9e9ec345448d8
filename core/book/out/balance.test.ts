import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { coolantBalance, mayClose, openItems } from "../../state/index.ts";
import { back, bolts, book, coolant } from "../entry/book.fixture.ts";
import { type Entry } from "../entry/index.ts";
import { balance } from "./balance.ts";
import { buildList } from "./build-list.ts";
import { stillOut } from "./still-out.ts";

describe("balance", () => {
  it("keeps out and in per account, place and item", () => {
    const lines = balance(
      book([
        bolts(3),
        bolts(2, "bag 3"),
        back(2),
        { account: "connector", item: "plug", place: "left fan", out: 1 },
      ]),
    );
    expect(lines.map((line) => [line.place, line.item, line.open])).toEqual([
      ["bag 2", "M6×20", 1],
      ["bag 3", "M6×20", 2],
      ["left fan", "plug", 1],
    ]);
  });

  it("counts a correction instead of what it corrects, and a corrected correction not at all", () => {
    const entries = book([bolts(3), { ...bolts(4), corrects: "e1" }, { ...bolts(5), corrects: "e2" }]);
    expect(balance(entries)[0]?.open).toBe(5);
    expect(entries).toHaveLength(3);
  });

  it("strikes an entry out by a correction without figures", () => {
    expect(balance(book([bolts(3), { corrects: "e1" }]))).toEqual([]);
  });

  it("counts one of two corrections that name the same entry", () => {
    expect(
      balance(book([bolts(3), { ...bolts(4), corrects: "e1" }, { ...bolts(2), corrects: "e1" }]))[0]?.open,
    ).toBe(2);
  });

  it("is restored by correcting every wrong entry to its right figures", () => {
    const count = fc.integer({ min: 1, max: 9 });
    fc.assert(
      fc.property(fc.array(fc.tuple(count, count), { minLength: 1, maxLength: 12 }), (pairs) => {
        const right = pairs.map(([figure], index) => bolts(figure, `bag ${index % 3}`));
        const wrong = pairs.map(([, figure], index) => bolts(figure, `bag ${(index + 1) % 3}`));
        const corrections = right.map(
          (draft, index): Partial<Entry> => ({ ...draft, corrects: `e${index + 1}` }),
        );
        expect(balance(book([...wrong, ...corrections]))).toEqual(balance(book(right)));
      }),
    );
  });
});

describe("openItems", () => {
  it("says what is open the way people do", () => {
    const entries = book([
      coolant("drained", 5),
      bolts(4, "bag 3", "M6"),
      { account: "connector", item: "plug", place: "left fan", out: 1 },
      { account: "tool", item: "magnet", out: 1 },
      back(3, "bag 3", "M6"),
      coolant("poured", 4.1),
    ]);
    expect(openItems(entries).map((item) => item.words)).toEqual([
      "bag 3 is one M6 short",
      "left fan plug still off",
      "magnet still in the engine bay",
      "0.9\u00a0L of coolant not accounted for: still to pour, air, or lost",
      "level and cap not yet checked cold",
    ]);
    expect(mayClose(entries).closes).toBe(false);
  });

  it("asks for the cold check again after a later pour", () => {
    const cold: Partial<Entry> = {
      kind: "reading",
      item: "coolant level",
      text: "at the line, cold",
      data: { coldCheck: true },
    };
    const entries = book([coolant("drained", 4), coolant("poured", 4), cold]);
    expect(mayClose(entries)).toEqual({ closes: true, because: [] });
    const again = book([coolant("drained", 4), coolant("poured", 3.9), cold, coolant("poured", 0.1)]);
    expect(mayClose(again).because).toEqual(["level and cap not yet checked cold"]);
  });

  const level = (mark: string, heat?: "cold" | "hot"): Partial<Entry> => ({
    kind: "reading",
    item: "coolant level",
    data: { fact: "coolant-level", v: 1, level: mark, ...(heat ? { heat } : {}) },
  });
  const filled = [coolant("drained", 4), coolant("poured", 4)];

  it.each(["line", "max"])("takes a cold level at the %s for the cold check", (mark) => {
    expect(mayClose(book([...filled, level(mark, "cold")])).closes).toBe(true);
  });

  it.each([
    ["min", "at the minimum"],
    ["low", "below the minimum"],
    ["empty", "none is to be seen"],
  ])("keeps a cold level of %s open in its words", (mark, words) => {
    const { closes, because } = mayClose(book([...filled, level(mark, "cold")]));
    expect(closes).toBe(false);
    expect(because).toEqual([expect.stringContaining(words)]);
    expect(mayClose(book([...filled, level(mark, "cold"), level("line", "cold")])).closes).toBe(true);
    expect(mayClose(book([level(mark)])).closes).toBe(false);
  });

  it("takes no hot look for the cold check", () => {
    const due = ["level and cap not yet checked cold"];
    expect(mayClose(book([...filled, level("line", "hot")])).because).toEqual(due);
    expect(mayClose(book([...filled, level("line")])).because).toEqual(due);
    expect(mayClose(book([...filled, level("line", "cold"), level("min", "hot")])).closes).toBe(true);
  });

  it("does not ask again because a pour was corrected after the check", () => {
    const corrected = { ...coolant("poured", 3.9), corrects: "e2" };
    expect(mayClose(book([...filled, level("line", "cold"), corrected])).closes).toBe(true);
  });

  it("wants every chosen part looked at out of its box", () => {
    const chosen: Partial<Entry> = {
      kind: "decision",
      stage: "plan",
      item: "radiator",
      data: { chosenPart: true },
    };
    expect(mayClose(book([chosen])).because).toEqual(["radiator not yet checked out of its box"]);
    expect(mayClose(book([chosen, { kind: "decision", data: { checkedPart: "e1" } }])).closes).toBe(true);
  });

  it("closes exactly when nothing counted is open", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 6 }), fc.boolean()), { maxLength: 8 }),
        (bags) => {
          const outs = bags.map(([count], index) => bolts(count, `bag ${index}`));
          const ins = bags.flatMap(([count, isBack], index) => (isBack ? [back(count, `bag ${index}`)] : []));
          expect(mayClose(book([...outs, ...ins])).closes).toBe(bags.every(([, isBack]) => isBack));
        },
      ),
    );
  });
});

describe("coolantBalance", () => {
  it("adds up what left, what stayed in old parts, what went in and what a bigger radiator holds", () => {
    const sums = coolantBalance(
      book([
        coolant("drained", 5),
        coolant("spilled", 0.3),
        coolant("kept", 0.7),
        coolant("capacity", 0.5),
        coolant("poured", 6.4),
      ]),
    );
    expect(sums).toMatchObject({
      drainedL: 5,
      spilledL: 0.3,
      keptInPartsL: 0.7,
      addedL: 6.4,
      capacityChangeL: 0.5,
      moved: true,
    });
    expect(sums.unaccountedL).toBeCloseTo(0.1, 9);
    expect(sums.withinTolerance).toBe(true);
  });

  it("calls loss what went in without having come out, unless it is written as missing at arrival", () => {
    expect(coolantBalance(book([coolant("poured", 1.2)])).withinTolerance).toBe(false);
    expect(coolantBalance(book([coolant("missing", 1.2), coolant("poured", 1.2)])).withinTolerance).toBe(
      true,
    );
  });

  it("conserves litres however the pour is split", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 3000 }), { minLength: 1, maxLength: 20 }),
        (millilitres) => {
          const total = millilitres.reduce((sum, ml) => sum + ml, 0) / 1000;
          const sums = coolantBalance(
            book([coolant("drained", total), ...millilitres.map((ml) => coolant("poured", ml / 1000))]),
          );
          expect(sums.unaccountedL).toBeCloseTo(0, 6);
        },
      ),
    );
  });
});

describe("buildList", () => {
  const hose: Partial<Entry> = { account: "hose", item: "hose", place: "upper", out: 1 };
  const fan = (more: Partial<Entry>): Partial<Entry> => ({ account: "part", item: "left fan", ...more });

  it("goes by when a thing came off, not by when that was typed", () => {
    const entries = book([bolts(2, "bag 1"), { ...hose, at: "2031-03-04T07:00:00.000Z" }, bolts(1, "bag 2")]);
    expect(buildList(entries).map(({ place }) => place)).toEqual(["bag 2", "bag 1", "upper"]);
  });

  it("offers what left last first, and holds nothing back that isn't known to be held", () => {
    const groups = buildList(
      book([bolts(6, "undertray", "clip"), hose, bolts(2, "bag 1"), bolts(1, "bag 1", "washer")]),
    );
    expect(groups.map((group) => [group.place, group.ready, group.behind])).toEqual([
      ["bag 1", true, []],
      ["upper", true, []],
      ["undertray", true, []],
    ]);
  });

  it("says what is known: a plug can't go onto a fan that lies on the bench", () => {
    const plug: Partial<Entry> = { account: "connector", item: "plug", place: "left fan", out: 1 };
    const [, held] = buildList(book([plug, fan({ out: 1 })]));
    expect(held).toMatchObject({ place: "left fan", ready: false, behind: ["left fan"] });
    expect(buildList(book([plug, fan({ out: 1 }), fan({ in: 1 })]))[0]).toMatchObject({ ready: true });
  });

  it("follows a trial fit in the order it happened", () => {
    const open = (drafts: Partial<Entry>[]) =>
      buildList(book(drafts)).flatMap(({ items }) => items.map(({ entryId, open: left }) => [entryId, left]));
    expect(open([fan({ out: 1 }), fan({ in: 1 }), fan({ out: 1 })])).toEqual([["e3", 1]]);
    expect(open([fan({ out: 1 }), fan({ in: 1 }), fan({ out: 1 }), fan({ in: 1 })])).toEqual([]);
    expect(open([fan({ out: 1 }), hose, fan({ in: 1 }), fan({ out: 1 })])).toEqual([
      ["e4", 1],
      ["e2", 1],
    ]);
  });

  it("never nets what goes in against what goes out later", () => {
    const entries = book([fan({ in: 1 }), fan({ out: 1 })]);
    expect(buildList(entries)).toHaveLength(1);
    expect(stillOut(entries)).toMatchObject([{ open: 1 }]);
    expect(mayClose(entries).because).toEqual(["left fan still out"]);
  });

  it("is the same however often it is asked of one book", () => {
    const entries = book([bolts(2, "bag 1"), bolts(3, "bag 2"), bolts(1, "bag 3")]);
    const first = buildList(entries).map(({ place }) => place);
    expect(first).toEqual(["bag 3", "bag 2", "bag 1"]);
    expect(buildList(entries).map(({ place }) => place)).toEqual(first);
  });

  it("names 3,000 lines that are open", () => {
    const entries = book(
      Array.from({ length: 3000 }, (_, index) => bolts(2, `bag ${index % 400}`, `M${index}`)),
    );
    expect(buildList(entries).length).toBeGreaterThan(399);
  });

  it("is not held up by a tool in the bay", () => {
    const groups = buildList(book([bolts(2), { account: "tool", item: "magnet", out: 1 }]));
    expect(groups.every((group) => group.ready)).toBe(true);
  });

  it("undoes any strip: working down the ready groups empties it and balances every account", () => {
    const strip = fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 5 })), {
      maxLength: 15,
    });
    fc.assert(
      fc.property(strip, (outs) => {
        let drafts = outs.map(([bag, count]) => bolts(count, `bag ${bag}`));
        for (let round = 0; round <= outs.length; round++) {
          const ready = buildList(book(drafts)).find((group) => group.ready);
          if (!ready) break;
          drafts = [...drafts, ...ready.items.map((item) => back(item.open, item.place, item.item))];
        }
        expect(buildList(book(drafts))).toEqual([]);
        expect(mayClose(book(drafts)).closes).toBe(true);
      }),
    );
  });
});
