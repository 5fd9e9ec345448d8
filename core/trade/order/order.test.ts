import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checkKnown, FIT_CHECKS, WAYS_BACK } from "./back.ts";
import {
  backNow,
  inOrder,
  moved,
  orderTrouble,
  readyNow,
  sorted,
  stepsFor,
  timeOf,
} from "./order-of-work.ts";
import { FEATURES, GOALS, type WorkStep } from "./step.ts";
import { KNOWN_STEPS } from "./steps.ts";

const job = fc.record({ goal: fc.constantFrom(...GOALS), features: fc.subarray([...FEATURES]) });
const names = (steps: readonly WorkStep[]) => steps.map(({ name }) => name);
const at = (steps: readonly WorkStep[], id: string) => steps.findIndex((step) => step.id === id);
const ALL = stepsFor("radiator", FEATURES);

describe("the order of work", () => {
  it("of a radiator: cold and drained first, coolers hung up, the radiator last of all", () => {
    expect(names(ALL).at(-1)).toBe("Brackets off, radiator out");
    for (const [first, then] of [
      ["cold", "drain"],
      ["drain", "hoses"],
      ["battery", "plugs"],
      ["lamps", "bumper"],
      ["bumper", "condenser"],
      ["fan", "radiator"],
      ["condenser", "radiator"],
    ] as const)
      expect(at(ALL, first), `${first} before ${then}`).toBeLessThan(at(ALL, then));
  });

  it("names no need that isn't a step, and says why of each", () => {
    const ids = new Set(KNOWN_STEPS.map(({ id }) => id));
    expect(ids.size).toBe(KNOWN_STEPS.length);
    for (const { needs } of KNOWN_STEPS)
      for (const { id, because } of needs) {
        expect(ids).toContain(id);
        expect(because.length).toBeGreaterThan(10);
      }
  });

  it("has the battery off before any plug that may be live, whatever the job", () => {
    for (const goal of GOALS)
      for (const features of [[], [...FEATURES]]) {
        const steps = stepsFor(goal, features);
        for (const plug of ["plugs", "lamps", "swap"])
          if (at(steps, plug) >= 0) {
            expect(at(steps, "battery")).toBeLessThan(at(steps, plug));
            expect(steps[at(steps, plug)]?.needs.map(({ id }) => id)).toContain("battery");
          }
      }
  });

  it("has only what the vehicle has", () => {
    expect(stepsFor("radiator", []).map(({ id }) => id)).not.toContain("condenser");
    expect(stepsFor("radiator", ["condenser"]).map(({ id }) => id)).toContain("condenser");
  });

  it("of a switch alone is the wet swap: cap on, pan below, seal on the new one first", () => {
    const swap = stepsFor("switch only", []);
    expect(names(swap)).toEqual([
      "Engine cold",
      "Battery off",
      "New switch in hand, its seal on it first",
      "Catch pan below, cap on",
      "Plug off, old switch out, new one in",
    ]);
    expect(timeOf(swap).workMinutes).toBeLessThan(timeOf(stepsFor("radiator", [])).workMinutes / 3);
  });

  it("can be worked, whatever the vehicle has, one ready step after another", () => {
    fc.assert(
      fc.property(job, fc.infiniteStream(fc.nat()), ({ goal, features }, picks) => {
        const steps = stepsFor(goal, features);
        expect(orderTrouble(steps)).toBeUndefined();
        const done = new Set<string>();
        const worked: WorkStep[] = [];
        while (done.size < steps.length) {
          const ready = readyNow(steps, done);
          expect(ready.length).toBeGreaterThan(0);
          const next = ready[(picks.next().value ?? 0) % ready.length] as WorkStep;
          worked.push(next);
          done.add(next.id);
        }
        expect(orderTrouble(worked)).toBeUndefined();
        expect(
          inOrder(
            steps,
            worked.map(({ id }) => id),
          ),
        ).toEqual(worked);
      }),
    );
  });

  it("is refused with the reason where it can't work: a radiator before its condenser is hung up", () => {
    expect(moved(ALL, "radiator", at(ALL, "condenser"))).toEqual({
      refused:
        "“Brackets off, radiator out” has to wait for “condenser unhooked and hung up”: it would hang by its lines.",
    });
    expect(moved(ALL, "intake", 0)).toMatchObject({ order: expect.any(Array) });
    expect(() => moved(ALL, "radiator", 99)).toThrow(RangeError);
    expect(() => moved(ALL, "nothing", 0)).toThrow(RangeError);
  });

  it("moves a step there and back, and loses none", () => {
    fc.assert(
      fc.property(job, fc.nat(), fc.nat(), ({ goal, features }, which, where) => {
        const steps = stepsFor(goal, features);
        const from = which % steps.length;
        const found = moved(steps, (steps[from] as WorkStep).id, where % steps.length);
        if (!("order" in found)) return;
        expect(new Set(found.order)).toEqual(new Set(steps));
        expect(moved(found.order, (steps[from] as WorkStep).id, from)).toEqual({ order: steps });
      }),
    );
  });

  it("with a circle in it is refused, with the names of those in it", () => {
    const step = (id: string, ...needs: string[]): WorkStep => ({
      id,
      name: id,
      why: "",
      needs: needs.map((need) => ({ id: need, because: "" })),
      minutes: 1,
      waitMinutes: 0,
      tools: [],
      people: 1,
    });
    expect(() => sorted([step("first"), step("hose", "fan"), step("fan", "hose")])).toThrow(/hose, fan/);
    expect(() => sorted([step("alone", "alone")])).toThrow(RangeError);
  });

  it("keeps what a person put first, where it may be, and puts what is new where it has to be", () => {
    const known = stepsFor("radiator", ["intake in the way"]);
    const put = ["intake", ...known.map(({ id }) => id).filter((id) => id !== "intake")];
    const more = inOrder(stepsFor("radiator", ["intake in the way", "condenser"]), [...put, "gone"]);
    expect(more[0]?.id).toBe("intake");
    expect(orderTrouble(more)).toBeUndefined();
    expect(at(more, "condenser")).toBeLessThan(at(more, "radiator"));
  });
});

describe("putting back", () => {
  it("is the way out turned round: whatever can go back now was held by nothing that is still off", () => {
    fc.assert(
      fc.property(job, fc.infiniteStream(fc.nat()), ({ goal, features }, picks) => {
        const steps = stepsFor(goal, features);
        const off = new Set(steps.map(({ id }) => id));
        const back: string[] = [];
        while (off.size > 0) {
          const { now, waits } = backNow(steps, off);
          expect(now.length).toBeGreaterThan(0);
          expect(now.length + waits.length).toBe(off.size);
          const next = now[(picks.next().value ?? 0) % now.length] as WorkStep;
          back.push(next.id);
          off.delete(next.id);
        }
        const outwards = [...back].reverse().map((id) => steps.find((step) => step.id === id) as WorkStep);
        expect(orderTrouble(outwards)).toBeUndefined();
      }),
    );
  });

  it("says what a thing waits for", () => {
    const off = new Set(["bumper", "condenser", "radiator"]);
    const { now, waits } = backNow(ALL, off);
    expect(now.map(({ id }) => id)).toEqual(["radiator"]);
    expect(waits.find(({ step }) => step.id === "bumper")?.for.map(({ id }) => id)).toEqual(["condenser"]);
  });
});

describe("the ways back", () => {
  it("are of steps that are known, with checks that are known, and every check belongs somewhere", () => {
    const known = new Set(KNOWN_STEPS.map(({ id }) => id));
    for (const [id, { checks, after = [] }] of Object.entries(WAYS_BACK)) {
      expect(known).toContain(id);
      for (const check of [...checks, ...after.map((each) => each.check)])
        expect(checkKnown(check), check).toBeDefined();
    }
    const ids = FIT_CHECKS.flatMap(({ checks }) => checks.map(({ id }) => id));
    expect(new Set(ids).size).toBe(ids.length);
    for (const { checks } of FIT_CHECKS) for (const { words, wrong } of checks) expect(words).not.toBe(wrong);
  });
});
