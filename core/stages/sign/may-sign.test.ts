import { describe, expect, it } from "vitest";
import { decidedInWords, poured, putBack, struck, tookOff } from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import { seededRandom } from "../../kernel/chance/index.ts";
import { anyBook } from "../../state/any-book.fixture.ts";
import { mayClose } from "../../state/index.ts";
import { LEAST_REASON, maySign, reasonTrouble } from "./may-sign.ts";

const CAR = { fanStages: 1 };
const BOLT = { account: "fastener", item: "M6×20", place: "bag 2" } as const;

describe("who may sign", () => {
  it("nobody, where nothing stands in the book", () => {
    expect(maySign([], CAR).isEmpty).toBe(true);
    const one = book([tookOff(BOLT)]);
    expect(maySign(one, CAR).isEmpty).toBe(false);
    const wholly = book([tookOff(BOLT), struck(one[0]?.id ?? "", "movement")]);
    expect(maySign(wholly, CAR).openWords).toEqual([]);
  });

  it("wants a reason for what is open or wasn't seen, and takes none too short", () => {
    const open = maySign(book([tookOff(BOLT, 3), putBack(BOLT, 2)]), CAR);
    expect(open.wantsReason).toBe(true);
    expect(open.openWords).toHaveLength(open.open.length);
    expect(reasonTrouble(open, "")).toMatch(/^Something is open.*10 letters/);
    expect(reasonTrouble(open, `  ${"x".repeat(LEAST_REASON - 1)}  `)).toBeDefined();
    expect(reasonTrouble(open, "x".repeat(LEAST_REASON))).toBeUndefined();
    const sound = maySign(book([decidedInWords("nothing-wrong", "")]), CAR);
    expect(sound.wantsReason).toBe(sound.unproven.length > 0);
  });

  it("tells what wasn't seen apart from what is open", () => {
    const filled = maySign(book([poured(4, { fraction: 0.5 })]), CAR);
    expect(filled.unproven.length).toBeGreaterThan(0);
    const closed = { ...filled, open: [] };
    expect(reasonTrouble(closed, "")).toMatch(/^Not everything was seen/);
  });

  it("is asked the same by page and server, of any book, in whichever units", () => {
    for (const seed of [1, 2, 3, 4, 5, 6, 7, 8]) {
      const entries = anyBook(60, seededRandom(seed));
      const [metric, us] = [maySign(entries, CAR), maySign(entries, CAR, "us")];
      expect(metric.openWords).toEqual(mayClose(entries).because);
      expect(us.openWords).toEqual(metric.openWords);
      expect(us.open).toHaveLength(metric.open.length);
      expect(metric.open).toHaveLength(metric.openWords.length);
    }
  });
});
