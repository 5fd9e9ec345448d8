import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { buildOrder } from "../../stages/build/index.ts";
import { workOrderOf } from "../../stages/plan/index.ts";
import { FEATURES, stepsFor } from "../../trade/order/index.ts";
import { stepBackDrafts, stepDoneDrafts } from "../acts/index.ts";
import { admit } from "../admit/index.ts";
import { book } from "../entry/book.fixture.ts";
import type { Entry } from "../entry/index.ts";
import { dataOf, OrderOfWork, StepDone, WarmUpLog } from "../facts/index.ts";
import { stepsState } from "./steps.ts";
import { stepsOff } from "./steps-off.ts";

const STEPS = stepsFor("radiator", FEATURES);
const done = (step: string): Partial<Entry> => ({
  kind: "note",
  item: step,
  data: dataOf(StepDone, { step }),
});
const order: Partial<Entry> = {
  kind: "decision",
  item: "order of work",
  data: dataOf(OrderOfWork, {
    goal: "radiator",
    features: [...FEATURES],
    order: STEPS.map(({ id }) => id),
  } as OrderOfWork),
};
const log = { ...WarmUpLog.example } as Partial<Entry>;
/** A book to which drafts are added as they would be booked, each admitted. */
function grown(entries: Entry[], drafts: readonly Partial<Entry>[]): Entry[] {
  const all = [...entries];
  for (const draft of drafts) {
    const [entry] = book([draft]) as [Entry];
    const seq = all.length + 1;
    const at = new Date(Date.UTC(2031, 2, 4, 8, seq)).toISOString();
    const next = { ...entry, id: `n${seq}`, seq, at };
    expect(admit([...all], next, { isSigned: false })).toBeUndefined();
    all.push(next);
  }
  return all;
}
const stateOf = (entries: Entry[], step: string) => stepsState(entries).find((each) => each.step === step);

describe("a step of the order of work", () => {
  it("is off and back in turn as often as it happens, and never twice at once", () => {
    const [bumper] = STEPS.filter(({ id }) => id === "bumper");
    if (!bumper) throw new Error("no bumper");
    let entries = grown([], [order]);
    for (let round = 0; round < 3; round++) {
      entries = grown(entries, stepDoneDrafts(bumper, entries));
      expect(stateOf(entries, "bumper")?.isDone).toBe(true);
      const [again] = book([{ ...done("bumper"), id: "again" }]) as [Entry];
      expect(admit(entries, again, { isSigned: false })?.message).toContain("already");
      const [off] = stepsOff(entries);
      if (!off) throw new Error("nothing is off");
      entries = grown(entries, stepBackDrafts(off, [], entries));
      expect(stateOf(entries, "bumper")?.isDone).toBe(false);
      expect(stepsOff(entries)).toEqual([]);
    }
  });

  it("is undone by heat where it said that the engine is cold, and stands in the way again", () => {
    const entries = book([order, done("cold"), log]);
    expect(stateOf(entries, "cold")).toMatchObject({ isDone: false, because: "it was run hot since" });
    expect(workOrderOf(entries)?.ready.map(({ id }) => id)).toContain("cold");
    expect(stateOf(book([order, log, done("cold")]), "cold")?.isDone).toBe(true);
  });

  it("is undone where the plugs that it took off are on again", () => {
    const plug = (more: Partial<Entry>): Partial<Entry> => ({
      account: "connector",
      item: "plug",
      place: "left fan",
      ...more,
    });
    const entries = book([order, done("plugs"), plug({ out: 1 }), plug({ in: 1 })]);
    expect(stateOf(entries, "plugs")?.isDone).toBe(false);
    expect(stateOf(book([order, done("plugs"), plug({ out: 1 })]), "plugs")?.isDone).toBe(true);
  });

  it("can always be undone by what is offered, whatever was taken off: no circle leaves nothing to do", () => {
    fc.assert(
      fc.property(fc.subarray(STEPS), (taken) => {
        let entries = grown([], [order]);
        for (const step of taken) entries = grown(entries, stepDoneDrafts(step, entries));
        for (let turn = 0; turn <= STEPS.length; turn++) {
          const { now, waits } = buildOrder(entries);
          if (now.length + waits.length === 0) return;
          expect(now.length, waits.map(({ step }) => step).join()).toBeGreaterThan(0);
          const [next] = now;
          if (next) entries = grown(entries, stepBackDrafts(next, [], entries));
        }
        expect(stepsOff(entries)).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });
});
