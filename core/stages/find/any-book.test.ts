import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { CIRCUIT_KINDS, CIRCUITS, modelOf, REPAIRS, UNSURE } from "../../trade/diagnosis/knowledge/index.ts";
import { beliefOf } from "./belief.ts";
import { customerText } from "./customer-text.ts";
import { findState } from "./find-state.ts";
import { overnightOffer } from "./overnight.ts";
import { verdictOffer } from "./verdict-offer.ts";

type Line = Partial<Entry>;

const OUTCOMES = CIRCUIT_KINDS.flatMap((kind) =>
  modelOf(CIRCUITS[kind]).tests.flatMap((test) =>
    [...test.outcomes.map(({ id }) => id), UNSURE, "said by an older book"].map((outcome) => ({
      test: test.id,
      outcome,
    })),
  ),
);
const VERDICTS = ["pass", "fail", "not-seen"] as const;
const at = fc
  .integer({ min: 0, max: 60 })
  .map((hours) => new Date(Date.UTC(2031, 0, 1, hours)).toISOString());

const tested = fc
  .constantFrom(...OUTCOMES)
  .map((said): Line => ({ kind: "test", data: { fact: "test-outcome", v: 1, ...said, verdict: "pass" } }));
const cannot = fc
  .record({
    test: fc.constantFrom("gone-since", ...new Set(OUTCOMES.map(({ test }) => test))),
    why: fc.constantFrom("tool", "time", "car", "hot"),
  })
  .map((said): Line => ({ kind: "decision", text: "can't", data: { fact: "cannot-test", v: 1, ...said } }));
const tried = fc
  .constantFrom("gone-since", ...REPAIRS.map(({ id }) => id))
  .map((repair): Line => ({ kind: "decision", data: { fact: "tried-repair", v: 1, repair } }));
const circuit = fc
  .constantFrom(...CIRCUIT_KINDS)
  .map((kind): Line => ({ kind: "decision", data: { fact: "fan-circuit", v: 1, circuit: kind } }));
const heard = fc
  .record({ value: fc.integer({ min: -40, max: 140 }), fan: fc.constantFrom("none", "low on", "high on") })
  .map(
    ({ value, fan }): Line => ({
      kind: "reading",
      value,
      unit: "°C",
      data: { fact: "fan-heard", v: 1, fan },
    }),
  );
const level = fc
  .constantFrom("line", "min", "low", "empty", "max")
  .map(
    (said): Line => ({ stage: "ask", kind: "reading", data: { fact: "coolant-level", v: 1, level: said } }),
  );
const check = fc.record(
  {
    verdict: fc.constantFrom(...VERDICTS),
    because: fc.constant("as it was"),
    measured: fc.double({ min: -40, max: 150, noNaN: true }),
    expected: fc.double({ min: -40, max: 150, noNaN: true }),
    failing: fc.constantFrom("early", "never", "elsewhere"),
    stagesSeen: fc.integer({ min: 0, max: 2 }),
  },
  { requiredKeys: ["verdict", "because"] },
);
const log = fc
  .dictionary(fc.constantFrom("signal", "soak", "climb", "thermostat", "fanOn", "fanOff", "peak"), check)
  .map(
    (checks): Line => ({
      stage: "prove",
      kind: "reading",
      item: "warm-up log",
      data: { logId: "l", log: "as it came.csv", checks },
    }),
  );

/** A correction of an earlier line by any other, or a strike: the line it names is a share of what is there. */
const line = fc.record({
  said: fc.oneof({ weight: 6, arbitrary: tested }, cannot, tried, circuit, heard, level, log),
  at,
  corrects: fc.option(fc.double({ min: 0, max: 0.999, noNaN: true }), { freq: 3 }),
  isStrike: fc.boolean(),
});

const lines = fc.array(line, { maxLength: 30 }).map((drawn) =>
  book(
    drawn.map(({ said, at: when, corrects, isStrike }, index): Line => {
      const earlier =
        corrects === null || index === 0 ? {} : { corrects: `e${Math.floor(corrects * index) + 1}` };
      const isStruck = isStrike && "corrects" in earlier;
      return { stage: "find", at: when, ...(isStruck ? { kind: said.kind } : said), ...earlier };
    }),
  ),
);

describe("whatever stands in the book", () => {
  it("Find shows it: shares add up, every price is a figure, every page has its words", () => {
    fc.assert(
      fc.property(lines, fc.constantFrom(...CIRCUIT_KINDS), at, (entries, kind, now) => {
        const state = findState(entries, kind, { now, fanOnC: [95], notOnThisCar: ["fuses", "gone-since"] });
        const total = state.suspects.reduce((sum, { share }) => sum + share, 0);
        if (state.ruledOut.length < state.model.hypotheses.length) expect(total).toBeCloseTo(1, 6);
        for (const { share, before } of state.suspects) {
          expect(share).toBeGreaterThanOrEqual(0);
          expect(Number.isFinite(before)).toBe(true);
        }
        for (const { expectedCents } of state.actions) expect(Number.isFinite(expectedCents)).toBe(true);
        for (const words of [
          verdictOffer(state)?.because ?? "",
          customerText(state, entries, null, "metric"),
        ])
          expect(words).not.toMatch(/NaN|undefined|Infinity/);
        overnightOffer(state, 17);
      }),
      { numRuns: 120 },
    );
  });

  it("can be mended: with every line struck out, Find stands where it began", () => {
    fc.assert(
      fc.property(lines, fc.constantFrom(...CIRCUIT_KINDS), (entries, kind) => {
        const struck = entries
          .filter(({ corrects }) => !corrects)
          .map(({ id, kind: of }): Line => ({ kind: of, corrects: id }));
        // A line that was struck by another stays struck; striking the last of each chain comes to the same.
        const whole = book([...entries, ...struck]);
        const belief = beliefOf(whole, kind);
        expect(belief.evidence).toEqual([]);
        expect(belief.ruledOut).toEqual([]);
        expect(belief.suspects).toEqual(beliefOf([], kind).suspects);
      }),
      { numRuns: 60 },
    );
  });
});
