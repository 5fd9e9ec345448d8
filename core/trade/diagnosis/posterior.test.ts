import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { conflict } from "./conflict.ts";
import { chanceModel } from "./exact-plan.fixture.ts";
import { checkModel, learnPriors, type Model } from "./model/index.ts";
import { posterior } from "./posterior.ts";

const certain = (id: string, minutes: number, fails: string[], all: string[]): Model["tests"][number] => ({
  id,
  minutes,
  outcomes: [
    { id: "pass", given: Object.fromEntries(all.map((h) => [h, fails.includes(h) ? 0.05 : 0.95])) },
    { id: "fail", given: Object.fromEntries(all.map((h) => [h, fails.includes(h) ? 0.95 : 0.05])) },
  ],
});

const ALL = ["fuse", "motor", "switch", "nothing-wrong"];
const model: Model = {
  hypotheses: [
    { id: "fuse", weight: 1, name: "fuse" },
    { id: "motor", weight: 2, name: "motor" },
    { id: "switch", weight: 3, name: "switch" },
    { id: "nothing-wrong", weight: 4 },
  ],
  tests: [
    certain("meter", 3, ["fuse"], ALL),
    certain("jumper", 4, ["fuse", "motor"], ALL),
    certain("hot", 20, ["fuse", "motor", "switch"], ALL),
  ],
  repairs: ALL.map((id) => ({
    id: id === "nothing-wrong" ? "hand-back" : `new-${id}`,
    minutes: 10,
    partsCents: 1000,
    fixes: [id],
  })),
};

describe("posterior", () => {
  it("is the weights' shares before any evidence", () => {
    expect(posterior(model, [])).toEqual({
      fuse: expect.closeTo(0.1),
      motor: expect.closeTo(0.2),
      switch: expect.closeTo(0.3),
      "nothing-wrong": expect.closeTo(0.4),
    });
  });

  it("follows Bayes' rule, worked by hand", () => {
    // 0.1·0.95 + 0.2·0.95 + 0.3·0.05 + 0.4·0.05 = 0.32 of "fail"
    expect(posterior(model, [{ test: "jumper", outcome: "fail" }])).toEqual({
      fuse: expect.closeTo(0.095 / 0.32),
      motor: expect.closeTo(0.19 / 0.32),
      switch: expect.closeTo(0.015 / 0.32),
      "nothing-wrong": expect.closeTo(0.02 / 0.32),
    });
  });

  it("adds up to one and doesn't mind the order, on any network", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.array(fc.boolean(), { minLength: 8, maxLength: 8 }),
        (seed, fails) => {
          const chance = chanceModel(seededRandom(seed));
          const evidence = chance.tests.map((test, i) => ({
            test: test.id,
            outcome: fails[i] ? "fail" : "pass",
          }));
          const there = posterior(chance, evidence);
          const back = posterior(chance, [...evidence].reverse());
          expect(Object.values(there).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
          for (const [id, share] of Object.entries(there)) expect(back[id]).toBeCloseTo(share, 9);
        },
      ),
    );
  });

  it("does not underflow under hundreds of sharp results", () => {
    const many: Model = {
      ...model,
      tests: Array.from({ length: 800 }, (_, i) => certain(`t${i}`, 1, ["fuse", "motor"], ALL)),
    };
    const belief = posterior(
      many,
      many.tests.map(({ id }) => ({ test: id, outcome: "fail" })),
    );
    expect((belief.fuse ?? 0) + (belief.motor ?? 0)).toBeCloseTo(1, 9);
    expect((belief.motor ?? 0) / (belief.fuse ?? 1)).toBeCloseTo(2, 6);
  });

  it("refuses what can't be reckoned with, in one sentence that names it", () => {
    const twice = [
      { test: "meter", outcome: "pass" },
      { test: "meter", outcome: "fail" },
    ];
    expect(() => posterior(model, twice)).toThrow(/“meter” stands twice/);
    expect(() => posterior(model, [{ test: "x-ray", outcome: "pass" }])).toThrow(/“x-ray” is no test/);
    expect(() => posterior(model, [{ test: "meter", outcome: "maybe" }])).toThrow(/it has pass, fail/);
    const holed = structuredClone(model) as Model;
    const given: Record<string, number> = holed.tests[1]?.outcomes[0]?.given ?? {};
    delete given.motor;
    expect(() => checkModel(holed)).toThrow(/“jumper” does not say how likely “pass” is given “motor”/);
    expect(() => checkModel({ ...model, repairs: model.repairs.slice(1) })).toThrow(/no repair fixes “fuse”/);
    const impossible: Model = {
      ...model,
      tests: [
        {
          id: "a",
          minutes: 1,
          outcomes: [
            { id: "x", given: { fuse: 1, motor: 0, switch: 0, "nothing-wrong": 0 } },
            { id: "y", given: { fuse: 0, motor: 1, switch: 1, "nothing-wrong": 1 } },
          ],
        },
        {
          id: "b",
          minutes: 1,
          outcomes: [
            { id: "x", given: { fuse: 0, motor: 1, switch: 1, "nothing-wrong": 1 } },
            { id: "y", given: { fuse: 1, motor: 0, switch: 0, "nothing-wrong": 0 } },
          ],
        },
      ],
    };
    const both = [
      { test: "a", outcome: "x" },
      { test: "b", outcome: "x" },
    ];
    expect(() => posterior(impossible, both)).toThrow(/no single fault allows/);
    expect(conflict(impossible, both)?.because).toMatch(/No single fault fits/);
  });
});

describe("conflict", () => {
  it("says nothing where one fault explains everything", () => {
    expect(
      conflict(model, [
        { test: "jumper", outcome: "pass" },
        { test: "hot", outcome: "fail" },
      ]),
    ).toBeUndefined();
  });

  it("names the odd one out: a fuse that fails its meter and lets the jumper run the fan", () => {
    const found = conflict(model, [
      { test: "meter", outcome: "fail" },
      { test: "jumper", outcome: "pass" },
      { test: "hot", outcome: "pass" },
    ]);
    expect(found?.oddOneOut).toEqual({ test: "meter", outcome: "fail" });
  });

  it("names the pair where two faults explain what one can't", () => {
    const apart: Model = {
      ...model,
      tests: [
        certain("a", 1, ["fuse"], ALL),
        certain("b", 1, ["switch"], ALL),
        certain("c", 1, ["fuse"], ALL),
        certain("d", 1, ["switch"], ALL),
      ],
    };
    const found = conflict(
      apart,
      ["a", "b", "c", "d"].map((test) => ({ test, outcome: "fail" })),
    );
    expect(found?.pair?.faults.toSorted()).toEqual(["fuse", "switch"]);
    expect(found?.pair?.timesLikelier).toBeGreaterThan(2);
  });
});

describe("learnPriors", () => {
  const priors = [
    { id: "a", weight: 3 },
    { id: "b", weight: 1 },
  ];

  it("keeps the handbook's shares without history", () => {
    expect(learnPriors(priors, [])).toEqual([
      { id: "a", weight: 0.75 },
      { id: "b", weight: 0.25 },
    ]);
  });

  it("is the mean of a Dirichlet after counts", () => {
    // Dirichlet(15, 5) after 7 of b: (15, 12) of 27
    const [a, b] = learnPriors(priors, Array(7).fill("b"), 20);
    expect(a?.weight).toBeCloseTo(15 / 27, 12);
    expect(b?.weight).toBeCloseTo(12 / 27, 12);
  });

  it("goes to the shop's own shares as its history grows", () => {
    const history = Array.from({ length: 4000 }, (_, i) => (i % 5 === 0 ? "a" : "b"));
    expect(learnPriors(priors, history)[0]?.weight).toBeCloseTo(0.2, 2);
  });

  it("refuses a verdict that is none of the hypotheses", () => {
    expect(() => learnPriors(priors, ["c"])).toThrow(/“c” is confirmed/);
  });
});
