import { describe, expect, it } from "vitest";
import { inShownTemperatures } from "../../kernel/units/index.ts";
import { SCRIPTS, USUAL_CAR } from "../thermal/index.ts";
import { declineOf, healthLines, leastShareFor, spareAt, type ToldFigure } from "./index.ts";

const HOT = SCRIPTS["pass climb with a trailer"];

describe("a radiator's decline", () => {
  const point = (day: number, share: number, error = 0.05) => ({ day, share, error });

  it("is the line through its logs, and reaches a share where that line does", () => {
    const decline = declineOf([point(0, 1), point(365.25, 0.9), point(730.5, 0.8)]);
    if ("because" in decline) throw new Error(decline.because);
    expect(decline.perYear).toBeCloseTo(-0.1, 9);
    expect(decline.at(1461)).toBeCloseTo(0.6, 9);
    const when = decline.reaches(0.6);
    expect(when?.likely).toBeCloseTo(1461, 6);
    expect(when?.soonest).toBeLessThan(1461);
  });

  it("weighs a log that is known badly less", () => {
    const sure = declineOf([point(0, 1), point(365.25, 0.9), point(730.5, 0.2, 10)]);
    expect("because" in sure || sure.perYear).toBeCloseTo(-0.1, 2);
  });

  it("isn't told by too few logs, or by some that lie too near together; what holds steady reaches nothing", () => {
    expect(declineOf([point(0, 1), point(400, 0.8)])).toMatchObject({
      because: expect.stringMatching(/too few/),
    });
    expect(declineOf([0, 40, 80].map((day) => point(day, 1)))).toMatchObject({
      because: expect.stringMatching(/too near/),
    });
    const steady = declineOf([point(0, 1), point(400, 1), point(800, 1)]);
    expect("because" in steady || steady.reaches(0.5)).toBeUndefined();
  });
});

describe("what a hot day wants", () => {
  it("is the share at which a car just stays below boiling and below what no sound engine gets past", () => {
    const least = leastShareFor(USUAL_CAR, HOT) ?? Number.NaN;
    expect(spareAt(USUAL_CAR, HOT, least)).toBeGreaterThanOrEqual(0);
    expect(spareAt(USUAL_CAR, HOT, least - 0.015)).toBeLessThan(0);
  });

  it("is nothing where it doesn't hold it when whole", () => {
    expect(leastShareFor({ ...USUAL_CAR, coreAirKWPerK: 0.5 }, HOT)).toBeUndefined();
  });
});

describe("health in words", () => {
  const told = (value: number, error: number): ToldFigure => ({ isTold: true, value, error });
  const not: ToldFigure = { isTold: false, because: "the fan's stop isn't in the log" };
  const figures = {
    passes: told(0.64, 0.02),
    air: told(1.02, 0.03),
    opensC: told(94, 0.5),
    onC: told(98.2, 0.1),
    offC: not,
    biasC: told(-4.5, 0.5),
  };
  const lines = healthLines({ figures }, "its log of 3 May 2024", { opensC: 87, onC: 98, offC: 92 });
  const of = (name: string) => lines.find((line) => line.of === name);

  it("are plain sentences, with what is off told from what isn't and from what can't be told", () => {
    expect(of("passes")?.words).toBe(
      "The radiator passes heat at 64 ± 5 % of that in its log of 3 May 2024: blocked or partly airlocked.",
    );
    expect(of("air")).toMatchObject({
      isOff: false,
      words: expect.stringMatching(/102 ± 13 % .* as it did/),
    });
    expect(of("opensC")).toMatchObject({
      isOff: true,
      words: expect.stringMatching(/94\.0 °C, within 0\.5 °C/),
    });
    expect(of("onC")?.isOff).toBe(false);
    expect(of("offC")).toMatchObject({
      isTold: false,
      words: "Where the fan stops can't be told: the fan's stop isn't in the log.",
    });
    expect(of("biasC")).toMatchObject({ isOff: true, words: expect.stringMatching(/too little by 4\.5 °C/) });
  });

  it("turn into °F with differences as differences", () => {
    const us = (name: string) => inShownTemperatures(of(name)?.words ?? "", "us").replaceAll("\u00a0", " ");
    expect(us("opensC")).toMatch(/201 °F \(94\.0 °C\), within 1 °F/);
    expect(us("biasC")).toMatch(/too little by 8 °F/);
  });
});
