import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { samples } from "../../samples.fixture.ts";
import { chanceModel, exactCents, followedCents } from "./exact-plan.fixture.ts";
import { CIRCUITS, modelOf, USUAL_RATES } from "./knowledge/index.ts";
import { HAND_BACK, type Model, NOTHING_WRONG, type Rates } from "./model/index.ts";
import { nextActions } from "./next-actions.ts";
import { inFixedOrder, planned, smallest, workMany } from "./virtual-shop.fixture.ts";

const RATES: Rates = { centsPerMinute: 100, recheckMinutes: 15, comebackCents: 15_000 };
const WITHIN = 1.05;

describe("nextActions", () => {
  it.each([1, 2, 3, 4, 5, 6])(
    "followed to the end costs within 5 %% of the optimum: chance network %i",
    (seed) => {
      const model = chanceModel(seededRandom(seed), { hypotheses: 6, tests: 5 });
      const [exact, followed] = [exactCents(model, RATES), followedCents(model, RATES)];
      expect(followed).toBeGreaterThanOrEqual(exact * 0.999);
      expect(followed).toBeLessThanOrEqual(exact * WITHIN);
    },
  );

  it.each(Object.values(CIRCUITS).map((circuit) => [circuit.kind, circuit] as const))(
    "and on what is most likely on %s",
    { timeout: 30_000 },
    (_, circuit) => {
      const model = smallest(circuit, { faults: 6, tests: 5 });
      expect(followedCents(model, USUAL_RATES)).toBeLessThanOrEqual(exactCents(model, USUAL_RATES) * WITHIN);
    },
  );

  it("orders repairs alone by belief a cent, as the rule for independent repairs has it", () => {
    const model: Model = {
      hypotheses: [
        { id: "a", weight: 0.6 },
        { id: "b", weight: 0.4 },
      ],
      tests: [],
      repairs: [
        { id: "ra", minutes: 100, partsCents: 0, fixes: ["a"] },
        { id: "rb", minutes: 10, partsCents: 0, fixes: ["b"] },
      ],
    };
    const [first] = nextActions(model, [], { centsPerMinute: 100, recheckMinutes: 0, comebackCents: 0 });
    // rb first: 1000 + 0.6 · 10000
    expect(first).toMatchObject({ kind: "repair", id: "rb" });
    expect(first?.expectedCents).toBeCloseTo(7000, 6);
  });

  it("weighs a hand-back against its comeback", () => {
    const model = (sound: number): Model => ({
      hypotheses: [
        { id: "fault", weight: 1 - sound },
        { id: NOTHING_WRONG, weight: sound },
      ],
      tests: [],
      repairs: [
        { id: "mend", minutes: 60, partsCents: 10_000, fixes: ["fault"] },
        { id: HAND_BACK, minutes: 10, partsCents: 0, fixes: [NOTHING_WRONG] },
      ],
    });
    expect(nextActions(model(0.9), [], RATES)[0]?.id).toBe(HAND_BACK);
    expect(nextActions(model(0.2), [], RATES)[0]?.id).toBe("mend");
    // 10 minutes, and one time in ten the comeback and the mending with its recheck
    expect(nextActions(model(0.9), [], RATES)[0]?.expectedCents).toBeCloseTo(
      1000 + 0.1 * (15_000 + 17_500),
      6,
    );
  });

  it("weighs each fault's own comeback, where it has one", () => {
    const model = (comebackCents?: number): Model => ({
      hypotheses: [
        { id: "boils", weight: 0.05, ...(comebackCents === undefined ? {} : { comebackCents }) },
        { id: "harmless", weight: 0.05 },
        { id: NOTHING_WRONG, weight: 0.9 },
      ],
      tests: [],
      repairs: [
        { id: "mend", minutes: 30, partsCents: 0, fixes: ["boils"] },
        { id: "other", minutes: 30, partsCents: 0, fixes: ["harmless"] },
        { id: HAND_BACK, minutes: 10, partsCents: 0, fixes: [NOTHING_WRONG] },
      ],
    });
    expect(nextActions(model(), [], RATES)[0]?.id).toBe(HAND_BACK);
    expect(nextActions(model(600_000), [], RATES)[0]?.id).toBe("mend");
    // Handed back first all the same: 10 minutes; one in twenty each comes back, then the two repairs in a row.
    const back = nextActions(model(600_000), [], RATES).find(({ id }) => id === HAND_BACK);
    expect(back?.expectedCents).toBeCloseTo(
      1000 + 0.05 * 600_000 + 0.05 * 15_000 + 0.1 * 4500 + 0.05 * 4500,
      6,
    );
  });

  it.each([11, 12, 13])("and stays within 5 %% of the optimum with them: chance network %i", (seed) => {
    const random = seededRandom(seed);
    const chance = chanceModel(random, { hypotheses: 6, tests: 5 });
    const model: Model = {
      ...chance,
      hypotheses: chance.hypotheses.map((each) => ({
        ...each,
        comebackCents: Math.round(random() * 200_000),
      })),
    };
    const [exact, followed] = [exactCents(model, RATES), followedCents(model, RATES)];
    expect(followed).toBeGreaterThanOrEqual(exact * 0.999);
    expect(followed).toBeLessThanOrEqual(exact * WITHIN);
  });

  it("says what each outcome would leave, and leaves out what is done or can't help", () => {
    const model = modelOf(CIRCUITS["switch-2"]);
    const evidence = [{ test: "fuses", outcome: "sound" }];
    const actions = nextActions(model, evidence, USUAL_RATES, ["motor", "motor-stiff"]);
    const jumper = actions.find(({ id }) => id === "jumper-low");
    expect(jumper?.because).toMatch(/Fan ran, slow \(\d+ %\) leaves .+ \d+ %; Nothing \(\d+ %\) leaves/);
    expect(actions.some(({ id }) => id === "fuses")).toBe(false);
    expect(actions.some(({ id }) => id === "fan")).toBe(false);
    expect(actions.map(({ expectedCents }) => expectedCents)).toEqual(
      actions.map(({ expectedCents }) => expectedCents).toSorted((a, b) => a - b),
    );
  });

  it("answers the same question the same way", () => {
    const model = modelOf(CIRCUITS["ecu-relay"]);
    expect(nextActions(model, [], USUAL_RATES)).toEqual(nextActions(structuredClone(model), [], USUAL_RATES));
  });

  it("refuses figures it can't reckon with, and says when nothing is left", () => {
    const model = modelOf(CIRCUITS["switch-1"]);
    expect(() => nextActions(model, [], { ...USUAL_RATES, comebackCents: Number.NaN })).toThrow(
      /comebackCents is NaN/,
    );
    expect(() => nextActions(model, [], USUAL_RATES, ["gremlin"])).toThrow(/“gremlin” is ruled out/);
    expect(() =>
      nextActions(
        model,
        [],
        USUAL_RATES,
        model.hypotheses.map(({ id }) => id),
      ),
    ).toThrow(/nothing is left/);
  });

  it("beats the fixed order of tests on virtual cars, with verdicts that are right", {
    timeout: 60_000,
  }, () => {
    const cars = samples(25, 70);
    const ours = workMany(seededRandom(5), cars, planned);
    const fixed = workMany(seededRandom(5), cars, inFixedOrder);
    expect(ours.rightShare).toBeGreaterThanOrEqual(0.9);
    expect(ours.meanCents).toBeLessThan(fixed.meanCents * 0.85);
  });
});
