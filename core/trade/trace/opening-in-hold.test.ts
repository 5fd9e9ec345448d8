import { describe, expect, it } from "vitest";
import { analyseTrace } from "./analyse-trace.ts";
import { Curve } from "./curve.ts";
import { openingInHold } from "./opening-in-hold.ts";
import { virtualLog } from "./virtual-logs/index.fixture.ts";

/** Idle to 600 s at 3 °C a minute from 40 °C, then held revs at 12 °C a minute up to a bend, and flat from there. */
const climb = (bendC: number) =>
  new Curve(
    Float64Array.from({ length: 900 }, (_, s) =>
      s < 600 ? 40 + s * 0.05 : Math.min(bendC, 70 + (s - 600) * 0.2),
    ),
  );
const HOLD = [{ from: 600, to: 780 }];
const SHUT = { opening: undefined, shutToC: 70, quickest: 0.2 };

describe("an opening while the revs are held", () => {
  it("is the hold's own bend, at the card's opening", () => {
    const opening = openingInHold(climb(86), HOLD, 86, SHUT);
    expect(Math.abs((opening?.at ?? 0) - 680)).toBeLessThan(8);
    expect(Math.abs((opening?.coolantC ?? 0) - 86)).toBeLessThan(1.5);
    expect(opening?.isProven).toBe(false);
  });

  it("is not told of a bend elsewhere, of a climb that was none, nor without a hold", () => {
    expect(openingInHold(climb(80), HOLD, 86, SHUT)).toBeUndefined();
    expect(openingInHold(climb(86), HOLD, 86, { ...SHUT, quickest: 0.5 })).toBeUndefined();
    expect(openingInHold(climb(120), HOLD, 86, SHUT)).toBeUndefined();
    expect(openingInHold(climb(86), [], 86, SHUT)).toBeUndefined();
  });

  it("is told within its bounds on virtual cars, and passes nothing: a bend under raised revs is no proof", () => {
    const told = [300_024, 300_072, 300_240, 300_480].map((seed) => {
      const log = virtualLog("revs", undefined, seed);
      const { events, checks } = analyseTrace(log.trace, log.spec);
      const of = (list: readonly { kind: string; atS: number }[]) =>
        list.find(({ kind }) => kind === "thermostat-opens")?.atS ?? Number.NaN;
      return { offS: of(events) - of(log.events), verdict: checks.thermostat.verdict };
    });
    for (const { offS, verdict } of told) {
      expect(Math.abs(offS)).toBeLessThanOrEqual(15);
      expect(verdict).toBe("not-seen");
    }
  });
});
