import { describe, expect, it } from "vitest";
import { HOTTEST_SOUND_C } from "../limits/index.ts";
import { USUAL_CAR } from "../thermal/index.ts";
import { WORST_DAYS, whatIf } from "./index.ts";

const share = (of: number) => ({ low: of, high: of });
const of = (change: Parameters<typeof whatIf>[1], terms?: Parameters<typeof whatIf>[2]) =>
  new Map(whatIf(USUAL_CAR, change, terms).map((each) => [each.day, each]));

describe("what if", () => {
  it("nothing is changed, then is as today, on every worst day", () => {
    const days = whatIf(USUAL_CAR, {});
    expect(days.map(({ day }) => day)).toEqual(WORST_DAYS);
    for (const { today, changed } of days) expect(changed).toEqual(today);
  });

  it("a unit passes more it runs cooler, and less hotter, on the same draws", () => {
    const [more, less] = [
      of({ standing: share(1.4), onRoad: share(1.4) }),
      of({ standing: share(0.6), onRoad: share(0.6) }),
    ];
    for (const day of WORST_DAYS) {
      const [a, b] = [more.get(day), less.get(day)];
      if (!a || !b) throw new Error(`${day} wasn't run`);
      expect(a.today).toEqual(b.today);
      // Where its thermostat holds a car, how it swings as it opens moves the peak by a degree or two either way.
      const swing = day === "pass climb with a trailer" ? 0 : 3;
      expect(a.changed.marginC.low).toBeGreaterThan(a.today.marginC.low - swing);
      expect(b.changed.marginC.low).toBeLessThan(a.changed.marginC.low + swing);
    }
  });

  it("a car that gets hotter than any sound engine doesn't hold, however far its cap keeps it from boiling", () => {
    const hot = whatIf({ ...USUAL_CAR, capGaugeKPa: 240 }, { standing: share(0.5), onRoad: share(0.5) });
    const climb = hot.find(({ day }) => day === "pass climb with a trailer");
    expect(climb?.changed.peakC.high).toBeGreaterThan(HOTTEST_SOUND_C);
    expect(climb?.verdict).not.toBe("pass");
  });

  it("a verdict is its margins' own: held whatever isn't known, never, or not seen with what would settle it", () => {
    for (const passes of [0.3, 0.6, 0.8, 1, 1.5])
      for (const { changed, verdict, because } of whatIf(USUAL_CAR, {
        standing: share(passes),
        onRoad: share(passes),
      })) {
        const { marginC, peakC } = changed;
        if (verdict === "pass")
          expect(Math.min(marginC.low - 6, HOTTEST_SOUND_C - peakC.high)).toBeGreaterThanOrEqual(0);
        if (verdict === "fail")
          expect(Math.min(marginC.high - 6, HOTTEST_SOUND_C - peakC.low)).toBeLessThan(0);
        expect(/settled by/.test(because)).toBe(verdict === "not-seen");
      }
  });

  it("a car is known by its own log, its ranges are narrower than by its card", () => {
    const width = (isOwn: boolean) => {
      const { peakC } = of({}, { isOwn }).get("pass climb with a trailer")?.changed ?? {
        peakC: { low: 0, high: 0 },
      };
      return peakC.high - peakC.low;
    };
    expect(width(true)).toBeLessThan(width(false));
  });

  it("higher up it boils sooner, at the same heat", () => {
    const [low, high] = [of({}), of({}, { altitudeM: 1500 })].map((each) => each.get("motorway")?.today);
    expect(high?.peakC.low).toBeCloseTo(low?.peakC.low ?? Number.NaN, 6);
    expect(high?.marginC.low).toBeLessThan((low?.marginC.low ?? 0) - 1);
  });

  it("a weaker cap takes its margin and nothing else; water boils sooner than half glycol", () => {
    const day = "motorway";
    const [asIs, cap, water] = [of({}), of({ capGaugeKPa: 10 }), of({ fraction: 0 })].map(
      (each) => each.get(day)?.changed,
    );
    expect(cap?.peakC.low).toBeCloseTo(asIs?.peakC.low ?? Number.NaN, 6);
    expect(cap?.marginC.low).toBeLessThan((asIs?.marginC.low ?? 0) - 5);
    expect(water?.marginC.low).toBeLessThan(asIs?.marginC.low ?? Number.NaN);
  });

  it.each([
    { opensC: 300 },
    { fraction: -1 },
    { capGaugeKPa: Number.NaN },
    { standing: share(0) },
    { onRoad: { low: 2, high: 1 } },
  ])("figures that no car has are refused: %j", (change) => {
    expect(() => whatIf(USUAL_CAR, change)).toThrow(RangeError);
  });
});
