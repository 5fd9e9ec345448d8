import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { chanceModel } from "./exact-plan.fixture.ts";
import { CIRCUITS, modelOf, USUAL_RATES } from "./knowledge/index.ts";
import { boundCents, Pricer, toNetwork } from "./network.ts";
import { posterior } from "./posterior.ts";
import { reasonsOf } from "./reasons.ts";

const weightsOf = (count: number) =>
  fc.array(fc.double({ min: 0.001, max: 1, noNaN: true }), { minLength: count, maxLength: count });

/** Every order of the repairs, each priced by the rules: what the best of them costs. */
function cheapestOrder(network: ReturnType<typeof toNetwork>, weights: readonly number[]): number {
  const step = (left: readonly number[], used: ReadonlySet<number>): number => {
    const mass = left.reduce((sum, weight) => sum + weight, 0);
    if (mass < 1e-12) return 0;
    let best = Number.POSITIVE_INFINITY;
    for (const [index, repair] of network.repairs.entries()) {
      if (used.has(index)) continue;
      const rest = left.map((weight, i) => (repair.fixed.includes(i) ? 0 : weight));
      const wrong = rest.reduce((sum, weight) => sum + weight, 0);
      best = Math.min(
        best,
        repair.cents * mass + repair.wrongCents * wrong + step(rest, new Set([...used, index])),
      );
    }
    return best;
  };
  return step(weights, new Set());
}

describe("repairing without another test", () => {
  it("is priced as the best of all orders where no two repairs fix the same", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), weightsOf(6), (seed, weights) => {
        const chance = chanceModel(seededRandom(seed), { hypotheses: 6, tests: 1 });
        const alone = {
          ...chance,
          repairs: chance.repairs.map((repair) => ({ ...repair, fixes: repair.fixes.slice(0, 1) })),
        };
        const network = toNetwork(alone, USUAL_RATES);
        const priced = new Pricer(network).repairOnlyCents(Float64Array.from(weights));
        expect(priced).toBeCloseTo(cheapestOrder(network, weights), 3);
      }),
      { numRuns: 40 },
    );
  });

  it("is never cheaper than the best order, nor than perfect knowledge, where repairs overlap", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), weightsOf(6), (seed, weights) => {
        const network = toNetwork(chanceModel(seededRandom(seed), { hypotheses: 6, tests: 1 }), USUAL_RATES);
        const priced = new Pricer(network).repairOnlyCents(Float64Array.from(weights));
        const best = cheapestOrder(network, weights);
        expect(priced).toBeGreaterThanOrEqual(best - 1e-6);
        expect(priced).toBeLessThanOrEqual(best * 1.5);
        expect(boundCents(network, Float64Array.from(weights))).toBeLessThanOrEqual(best + 1e-6);
      }),
      { numRuns: 40 },
    );
  });
});

describe("bits still to be learnt", () => {
  const network = toNetwork(modelOf(CIRCUITS["switch-1"]), USUAL_RATES);
  const bits = (weights: number[]) => new Pricer(network).bits(Float64Array.from(weights));
  const at = (...indexes: number[]) =>
    Array.from({ length: network.size }, (_, i) => (indexes.includes(i) ? 1 / indexes.length : 0));
  const indexOf = (id: string) =>
    modelOf(CIRCUITS["switch-1"]).hypotheses.findIndex((hypothesis) => hypothesis.id === id);

  it("are none once one is certain, and one between two equal ones", () => {
    expect(bits(at(indexOf("motor")))).toBeCloseTo(0, 12);
    expect(bits(at(indexOf("motor"), indexOf("fuse")))).toBeCloseTo(1, 12);
  });

  it("are none between faults that one repair mends", () => {
    expect(bits(at(indexOf("switch-open"), indexOf("switch-drifted")))).toBeCloseTo(0, 12);
  });
});

describe("reasonsOf", () => {
  const model = modelOf(CIRCUITS["switch-2"]);
  const evidence = [
    { test: "fuses", outcome: "sound" },
    { test: "jumper-low", outcome: "stands" },
    { test: "jumper-high", outcome: "runs" },
  ];

  it("puts a dead low path and a live high one for the resistor", () => {
    const reasons = reasonsOf(model, evidence, "resistor");
    expect(reasons.for.map(({ test }) => test)).toContain("jumper-low");
    expect(reasons.against.map(({ test }) => test)).not.toContain("jumper-low");
  });

  it("puts the fan that ran against the motor, strongest first", () => {
    const { against } = reasonsOf(model, evidence, "motor");
    expect(against[0]?.test).toBe("jumper-high");
    expect(against.map(({ times }) => times)).toEqual(
      against.map(({ times }) => times).toSorted((a, b) => a - b),
    );
  });

  it("names a test not done yet that would settle it, and the outcome that would speak for it", () => {
    for (const { id } of model.hypotheses) {
      const { settles } = reasonsOf(model, evidence, id);
      if (!settles) continue;
      expect(evidence.map(({ test }) => test)).not.toContain(settles.test);
      const after = posterior(model, [...evidence, settles]);
      expect(after[id] ?? 0, id).toBeGreaterThan(posterior(model, evidence)[id] ?? 1);
    }
  });

  it("says nothing without results, and refuses a suspect that isn't one", () => {
    expect(reasonsOf(model, [], "motor")).toMatchObject({ for: [], against: [] });
    expect(() => reasonsOf(model, [], "gremlin")).toThrow(/“gremlin”/);
  });
});
