import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { letOut, poured, tookOff } from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { EntryDraft } from "../../book/entry/index.ts";
import type { CoolingCard } from "../../trade/car/index.ts";
import { freezePointC, KINDS, type Kind } from "../../trade/coolant/index.ts";
import { type MixAsked, mixAdvice } from "./mix-advice.ts";

const CARD: CoolingCard = {
  capacityL: 10,
  coolantKind: "oat",
  coolantProduct: "Fellwater Red",
  coolantApproval: "",
  targetFraction: 0.5,
  capGaugeKpa: 110,
  thermostatOpensC: 87,
  circuit: null,
  fanOnC: [],
  fanOffC: [],
  fanSenses: "engine",
  fillPoint: "",
  bleedPoints: "",
  oilCooler: "none",
  sensorCurve: [],
};
const ASKED: MixAsked = { label: "card's", base: "ethylene", altitudeM: 0 };
const advise = (drafts: EntryDraft[], asked: Partial<MixAsked> = {}, card = CARD) =>
  mixAdvice(book(drafts), card, { ...ASKED, ...asked }, []);
const water = { fraction: 0 };
const EMPTY = [letOut("drained", 10)];

describe("what to mix", () => {
  it("fills an empty system by halves for half, and says where that freezes and boils", () => {
    const { does } = advise(EMPTY);
    expect(does).toMatchObject({ does: "pour", fills: 1, isColdEnough: true });
    if (does.does !== "pour") throw new Error("nothing to pour");
    // What clings stays: a little less than ten litres go in, half of it concentrate.
    expect(does.productL + does.waterL).toBeGreaterThan(9);
    expect(does.productL / (does.productL + does.waterL)).toBeCloseTo(0.5, 1);
    expect(does.freezeC).toBeCloseTo(freezePointC("ethylene", does.fraction), 1);
    // 50 % ethylene under 110 kPa at sea level: 130.8 °C.
    expect(does.boilsC).toBeGreaterThan(129);
    expect(does.boilsC).toBeLessThan(132);
  });

  it("says no litres where some came out and nobody measured it", () => {
    const off = tookOff({ account: "part", item: "radiator" });
    expect(advise([off]).does).toMatchObject({ does: "measure" });
    expect(advise([off, poured(3)]).does).toMatchObject({ does: "measure" });
    expect(advise([off, letOut("drained", 5)]).does).toMatchObject({ does: "pour" });
  });

  it("has nothing to pour where it is full and right, and draws off where it is full and weak", () => {
    const full = [...EMPTY, poured(10, { fraction: 0.5, kind: "oat" })];
    expect(advise(full, { measured: 0.5 }).does).toEqual({ does: "nothing" });
    expect(advise(full, { measured: 0.49 }).does).toEqual({ does: "nothing" });
    const { does } = advise(full, { measured: 0.35 });
    if (does.does !== "replace") throw new Error(`${does.does} instead`);
    // As much goes in as came out, and glycol is conserved: 10 × 0.35 − d × 0.35 + p = 5.
    expect(does.productL + does.waterL).toBeCloseTo(does.drawL, 6);
    expect(3.5 - 0.35 * does.drawL + does.productL).toBeCloseTo(5, 2);
  });

  it("says that more than one fill is needed, or that more has to come out", () => {
    const weak = [letOut("drained", 3)];
    expect(advise(weak, { measured: 0.4 }).does).toMatchObject({ does: "pour", fills: 1 });
    const twice = advise(weak, { measured: 0.05, target: 0.55 }).does;
    if (twice.does !== "pour") throw new Error(`${twice.does} instead`);
    expect(twice.fills === undefined || twice.fills > 1).toBe(true);
  });

  it("tells cold that it doesn't stand, and room that isn't there", () => {
    expect(advise(EMPTY, { coldestC: -30 }).does).toMatchObject({ isColdEnough: true });
    expect(advise(EMPTY, { coldestC: -60 }).does).toMatchObject({ isColdEnough: false });
    const { does } = advise(EMPTY, { roomL: 0.1 });
    if (does.does !== "pour") throw new Error(`${does.does} instead`);
    expect(does.belowLineL).toBeCloseTo(does.swellsL - 0.1, 6);
    expect(advise(EMPTY, { roomL: 3 }).does).not.toHaveProperty("belowLineL");
  });

  it("flushes before it pours what must not meet what is in it, and pours once it is flushed", () => {
    // Silicates meet organic acids: core.md's own table of kinds says do not mix.
    const other = advise([letOut("drained", 3)], { label: "another", kind: "iat" });
    if (other.mixed?.verdict === "do-not-mix") expect(other.does).toEqual({ does: "flush" });
    const flushed = [0, 1, 2, 3].flatMap(() => [poured(10, water), letOut("drained", 10)]);
    const after = advise([...EMPTY, ...flushed], { label: "another", kind: "iat" });
    expect(after.isFlushedForAnother).toBe(true);
    expect(after.does.does).toBe("pour");
  });

  it("never says to pour or to put in what must not meet what is in it", () => {
    const kind = fc.constantFrom<Kind>(...KINDS);
    const litres = fc.double({ min: 0.1, max: 10, noNaN: true });
    const moves = fc.array(
      fc.oneof(
        litres.map((each) => letOut("drained", each)),
        fc
          .tuple(litres, kind, fc.double({ min: 0, max: 1, noNaN: true }))
          .map(([each, is, fraction]) => poured(each, { fraction, kind: is })),
      ),
      { maxLength: 6 },
    );
    let flushes = 0;
    fc.assert(
      fc.property(moves, kind, kind, (drafts, takes, goesIn) => {
        const { does, mixed } = advise(
          drafts,
          { label: "another", kind: goesIn },
          { ...CARD, coolantKind: takes },
        );
        if (mixed?.verdict !== "do-not-mix") return;
        flushes++;
        expect(does).toEqual({ does: "flush" });
      }),
      { numRuns: 400 },
    );
    expect(flushes).toBeGreaterThan(10);
  });

  it("conserves glycol in whatever it says to pour", () => {
    const share = fc.double({ min: 0, max: 0.6, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 9.5, noNaN: true }), share, share, (outL, inIt, target) => {
        const advice = advise([letOut("drained", outL)], { measured: inIt, target });
        const { does } = advice;
        if (does.does !== "pour") return;
        const stayed = Math.min(10, advice.state.litres.likely);
        const all = stayed + does.productL + does.waterL;
        expect(does.fraction * all).toBeCloseTo(stayed * inIt + does.productL, 4);
        expect(all).toBeLessThanOrEqual(10 + 1e-6);
      }),
      { numRuns: 300 },
    );
  });
});
