import { describe, expect, it } from "vitest";
import { stepDoneDrafts } from "../../book/acts/index.ts";
import { book as numbered } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { dataOf, OrderOfWork, StepDone } from "../../book/facts/index.ts";
import { dutiesOf, proofsOf } from "../../state/index.ts";
import { type Feature, type Goal, stepsFor } from "../../trade/order/index.ts";
import { workOrderOf } from "./work-order.ts";

const START = Date.parse("2031-03-04T09:00:00Z");
const at = (minute: number) => new Date(START + minute * 60_000).toISOString();
const order = (goal: Goal, features: Feature[]): Partial<Entry> => ({
  kind: "decision",
  at: at(0),
  data: dataOf(OrderOfWork, { goal, features, order: stepsFor(goal, features).map(({ id }) => id) }),
});
const done = (step: string, minute: number): Partial<Entry> => ({
  kind: "note",
  at: at(minute),
  data: dataOf(StepDone, { step }),
});
const idsOf = (steps: readonly { id: string }[]) => steps.map(({ id }) => id);

describe("the clocks between steps", () => {
  const entries = numbered([
    order("radiator", ["airbag plugs near", "lamps in the bumper"]),
    done("cold", 1),
    done("battery", 5),
  ]);

  it("hold what needs the battery off until its time is out, where airbag plugs are near", () => {
    const early = workOrderOf(entries, at(8));
    expect(early?.resting).toMatchObject([{ step: { id: "battery" }, until: at(15) }]);
    expect(idsOf(early?.resting[0]?.holds ?? [])).toEqual(expect.arrayContaining(["lamps", "plugs"]));
    expect(idsOf(early?.ready ?? [])).not.toContain("plugs");
    expect(idsOf(early?.ready ?? [])).toContain("stands");
    const late = workOrderOf(entries, at(15));
    expect(late?.resting).toEqual([]);
    expect(idsOf(late?.ready ?? [])).toContain("plugs");
  });

  it("hold nobody where none is near, and run for nobody who doesn't ask when it is", () => {
    const plain = numbered([order("radiator", ["lamps in the bumper"]), done("cold", 1), done("battery", 5)]);
    expect(workOrderOf(plain, at(6))?.resting).toEqual([]);
    expect(workOrderOf(entries)?.resting).toEqual([]);
  });

  it("run beside the work while a pan fills, and are over once the step is undone or struck", () => {
    const drained = [
      ...entries,
      ...numbered([done("drain", 20)]).map((each) => ({ ...each, id: "d", seq: 9 })),
    ];
    const order = workOrderOf(drained, at(22));
    expect(order?.passing).toMatchObject([{ step: { id: "drain" }, until: at(35) }]);
    expect(idsOf(order?.ready ?? [])).toContain("hoses");
    const struck = [
      ...drained,
      ...numbered([{ corrects: "d", kind: "note" }]).map((each) => ({ ...each, id: "s", seq: 10 })),
    ];
    expect(workOrderOf(struck, at(22))?.passing).toEqual([]);
  });
});

describe("what a step writes by itself", () => {
  it("of a switch alone: the old one out, the new one in, and its fan to be proven", () => {
    const swap = stepsFor("switch only", []).find(({ id }) => id === "swap");
    const drafts = swap ? stepDoneDrafts(swap, []) : [];
    expect(drafts.slice(1)).toEqual([
      { kind: "movement", account: "part", item: "fan switch", out: 1 },
      { kind: "movement", account: "part", item: "fan switch", in: 1 },
    ]);
    const rows = proofsOf(numbered(drafts as Partial<Entry>[]), { fanStages: 1 });
    expect(rows.map(({ proof }) => proof)).toEqual(expect.arrayContaining(["log", "fan-1", "road"]));
  });

  it("asks how much came out once the drain was opened, and is content with what was measured before", () => {
    const asked = (...drafts: Partial<Entry>[]) =>
      dutiesOf(numbered(drafts), { fanStages: 0 }).some(({ words }) =>
        words.startsWith("drained, and nobody"),
      );
    const out: Partial<Entry> = { account: "coolant", item: "drained", out: 5.2, unit: "L" };
    expect(asked(done("drain", 1))).toBe(true);
    expect(asked(done("drain", 1), out)).toBe(false);
    expect(asked(out, done("drain", 1))).toBe(false);
    const poured: Partial<Entry> = { account: "coolant", item: "poured", in: 5, unit: "L" };
    expect(asked(out, poured, done("drain", 1))).toBe(true);
    expect(asked(out, poured, done("drain", 1), out)).toBe(false);
    expect(asked(out, done("drain", 1), { corrects: "e1", kind: "movement" })).toBe(true);
  });
});
