import { describe, expect, it } from "vitest";
import { isSlip, SLIP_MS, type Tap } from "./slips.ts";

const tap = (part: Partial<Tap>): Tap => ({ at: 0, x: 10, y: 10, on: "Book it", says: "Book it", ...part });

describe("a tap that was not meant", () => {
  it("lands on what came up where another control was, within its first second", () => {
    expect(isSlip(tap({}), tap({ at: 250, on: "Sign", says: "Sign" }), true)).toBe(true);
    expect(isSlip(tap({}), tap({ at: SLIP_MS - 1, on: "Sign", says: "Sign" }), true)).toBe(true);
    expect(isSlip(tap({}), tap({ at: SLIP_MS, on: "Sign", says: "Sign" }), true)).toBe(false);
  });

  it("lands on the same control once it says something else", () => {
    expect(isSlip(tap({}), tap({ at: 250, says: "On to Find" }), true)).toBe(true);
  });

  it("is none on the same control again, on one beside it, or where nothing was tapped before", () => {
    expect(isSlip(tap({}), tap({ at: 250 }), true)).toBe(false);
    expect(isSlip(tap({}), tap({ at: 250, on: "half", says: "half" }), false)).toBe(false);
    expect(isSlip(undefined, tap({}), true)).toBe(false);
  });
});
