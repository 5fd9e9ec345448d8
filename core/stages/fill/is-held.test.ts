import { describe, expect, it } from "vitest";
import { readCoolant } from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { EntryDraft } from "../../book/entry/index.ts";
import { engineState } from "../../state/index.ts";
import { type BleedingStep, isShut, methodsFor, opensCap } from "../../trade/bleed/index.ts";
import { isHeld } from "./is-held.ts";

const NOW = "2031-03-04T10:00:00.000Z";
const STEPS = methodsFor({}).flatMap(({ steps }) => steps);
const held = (step: BleedingStep, drafts: EntryDraft[], isStopped = false) => {
  const entries = book(drafts.map((draft) => ({ ...draft, at: "2031-03-04T09:58:00.000Z" })));
  const engine = engineState(entries, NOW);
  return isHeld(
    step,
    { isStopped, startedAt: "2031-03-04T09:50:00.000Z" },
    { engine, entries, now: NOW, vehicle: {} },
  );
};

describe("a step that opens a cap", () => {
  it("is shut where nothing was seen, where it is hot, and where nobody was asked", () => {
    expect([isShut(undefined), isShut({ safeNow: "not-seen" }), isShut({ safeNow: "fail" })]).toEqual([
      true,
      true,
      true,
    ]);
    expect(isShut({ safeNow: "pass" })).toBe(false);
  });

  it("is held over a hot engine and over one that nobody has read, in every school", () => {
    const opening = STEPS.filter(opensCap);
    expect(opening.length).toBeGreaterThan(3);
    for (const step of opening) {
      expect(held(step, [])).toBe(true);
      expect(held(step, [readCoolant(92)])).toBe(true);
    }
  });

  it("holds nothing up that opens none, but for one that was stopped hot", () => {
    for (const step of STEPS.filter((each) => !opensCap(each) && each.kind !== "cool")) {
      expect(held(step, [readCoolant(92)])).toBe(false);
      expect(held(step, [readCoolant(92)], true)).toBe(true);
    }
  });
});
