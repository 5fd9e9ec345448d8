import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { coldSoak } from "./cold-soak.ts";
import { dutyMeaning } from "./duty-meaning.ts";
import { fanWiring } from "./fan-wiring.ts";
import { jumperFuse, motorDraw } from "./motor-draw.ts";
import { readSensorPoints } from "./read-sensor-points.ts";
import { sensorFit, sensorVerdict, temperatureFromOhms } from "./sensor.ts";
import { switchPotTest } from "./switch-pot-test.ts";
import { voltageDrop } from "./voltage-drop.ts";

describe("voltageDrop", () => {
  it("is Ohm's law: 12.6 V to 11.4 V at 20 A is 60 mΩ and 24 W", () => {
    const { dropV, ohms, wattsLost, verdict } = voltageDrop({ source: 12.6, load: 11.4, amps: 20 });
    expect([dropV, ohms, wattsLost]).toEqual([expect.closeTo(1.2), expect.closeTo(0.06), expect.closeTo(24)]);
    expect(verdict).toBe("fail");
  });

  it("allows a 24 V supply the same share of it", () => {
    expect(voltageDrop({ source: 26.4, load: 25.6, amps: 10 })).toMatchObject({
      verdict: "pass",
      expected: 1,
    });
    expect(voltageDrop({ source: 26.4, load: 25.3, amps: 10 }).verdict).toBe("fail");
    expect(voltageDrop({ source: 13.2, load: 12.4, amps: 10 }).verdict).toBe("fail");
  });

  it("passes half a volt, and sees nothing without load", () => {
    expect(voltageDrop({ source: 12.6, load: 12.1, amps: 15 }).verdict).toBe("pass");
    expect(voltageDrop({ source: 12.6, load: 12.6, amps: 0 })).toMatchObject({
      verdict: "not-seen",
      ohms: 0,
    });
  });

  it("refuses swapped probes and figures outside its range", () => {
    expect(() => voltageDrop({ source: 11, load: 12, amps: 5 })).toThrow(/swapped/);
    expect(() => voltageDrop({ source: Number.NaN, load: 12, amps: 5 })).toThrow(RangeError);
  });
});

describe("motorDraw and jumperFuse", () => {
  it("holds a draw against fuse and wire", () => {
    expect(motorDraw({ amps: 14, fuseA: 30, wireMm2: 2.5 }).verdict).toBe("pass");
    expect(motorDraw({ amps: 26, fuseA: 30 })).toMatchObject({ verdict: "fail", expected: 24 });
    expect(motorDraw({ amps: 20, fuseA: 40, wireMm2: 1.5 }).because).toMatch(/1.5 mm²/);
    expect(motorDraw({ amps: 0, fuseA: 30 }).verdict).toBe("not-seen");
    expect(motorDraw({ amps: 14, fuseA: 30 }).because).toMatch(/its wire was not looked at/);
  });

  it.each([
    [7, 40, 0.75, "fail"],
    [0, 40, 0.75, "fail"],
    [14, 30, 2.5, "pass"],
    [14, 40, 2.5, "fail"],
    [25, 35, 4, "pass"],
    [12, 20, 1.5, "pass"],
    [3, 10, 0.5, "fail"],
  ] as const)("%d A on a %d A fuse and %d mm²: %s", (amps, fuseA, wireMm2, verdict) => {
    expect(motorDraw({ amps, fuseA, wireMm2 }).verdict).toBe(verdict);
  });

  it("passes what a fan is wired anew with", () => {
    for (const motorAmps of [4, 9, 14, 22, 30]) {
      const { fuseA, section } = fanWiring({
        motorAmps,
        leadM: 2,
        supply: { volts: 24, unit: "bare motor" },
        triggers: ["switch"],
      });
      expect(motorDraw({ amps: motorAmps, fuseA, wireMm2: section.mm2 }).verdict).toBe("pass");
    }
  });

  it("takes the next fuse above five quarters", () => {
    expect([2.4, 8, 12, 20, 32].map(jumperFuse)).toEqual([3, 10, 15, 25, 40]);
    for (const amps of [0, -1, 33, Number.NaN]) expect(() => jumperFuse(amps)).toThrow(RangeError);
  });
});

describe("dutyMeaning", () => {
  it("reads both senses of the same signal", () => {
    expect(dutyMeaning(30, "ground")).toMatchObject({ commandPercent: 70, state: "part" });
    expect(dutyMeaning(30, "plus")).toMatchObject({ commandPercent: 30, state: "part" });
    expect(dutyMeaning(8, "plus").state).toBe("off");
    expect(dutyMeaning(90, "plus").state).toBe("full");
  });

  it("takes a steady level for no signal and the ends for a broken wire", () => {
    expect([0, 100].map((percent) => dutyMeaning(percent, "plus").state)).toEqual(["no-signal", "no-signal"]);
    expect(dutyMeaning(2, "plus").state).toBe("emergency");
    expect(() => dutyMeaning(101, "plus")).toThrow(RangeError);
  });
});

describe("a thermistor's curve", () => {
  it("by two points is the beta formula: 10 kΩ and 3950 K make 3.59 kΩ at 50 °C", () => {
    // Published tables for 10 kΩ, B25/50 = 3950 K parts give 3.588 kΩ at 50 °C.
    const fit = sensorFit([
      { celsius: 25, ohms: 10_000 },
      { celsius: 50, ohms: 3588 },
    ]);
    expect(fit).toMatchObject({ kind: "beta", ohms25: expect.closeTo(10_000, 3) });
    expect(fit.kind === "beta" && fit.betaK).toBeCloseTo(3950, -1);
  });

  it("by three points goes through all three, and by more lies close", () => {
    const points = [
      { celsius: 0, ohms: 5887 },
      { celsius: 40, ohms: 1175 },
      { celsius: 100, ohms: 177 },
    ];
    const fit = sensorFit(points);
    for (const { celsius, ohms } of points) expect(temperatureFromOhms(fit, ohms)).toBeCloseTo(celsius, 6);
    const more = sensorFit([...points, { celsius: 20, ohms: 2500 }, { celsius: 80, ohms: 322 }]);
    expect(Math.abs(temperatureFromOhms(more, 2500) - 20)).toBeLessThan(1);
    expect(Math.abs(temperatureFromOhms(more, 322) - 80)).toBeLessThan(1);
  });

  it("falls with ohms everywhere", () => {
    const fit = sensorFit([
      { celsius: 20, ohms: 2500 },
      { celsius: 80, ohms: 320 },
      { celsius: 100, ohms: 180 },
    ]);
    fc.assert(
      fc.property(fc.double({ min: 100, max: 9000, noNaN: true }), (ohms) => {
        expect(temperatureFromOhms(fit, ohms * 1.1)).toBeLessThan(temperatureFromOhms(fit, ohms));
      }),
    );
  });

  it("judges a reading, and knows open and short by sight", () => {
    expect(sensorVerdict({ ohms: 320, actualC: 82 }).state).toBe("on-curve");
    expect(sensorVerdict({ ohms: 900, actualC: 82 })).toMatchObject({ state: "off-curve", verdict: "fail" });
    expect(sensorVerdict({ ohms: Number.POSITIVE_INFINITY, actualC: 20 })).toMatchObject({
      state: "open",
      readsC: -40,
    });
    expect(sensorVerdict({ ohms: 2, actualC: 20 }).state).toBe("short");
  });

  it("refuses a curve that rises and a figure off every curve", () => {
    expect(() => sensorFit([{ celsius: 20, ohms: 2500 }])).toThrow(/no curve/);
    expect(() =>
      sensorFit([
        { celsius: 20, ohms: 300 },
        { celsius: 80, ohms: 2500 },
      ]),
    ).toThrow(/fall as it warms/);
    expect(() => sensorVerdict({ ohms: Number.NaN, actualC: 20 })).toThrow(RangeError);
    expect(() => sensorVerdict({ ohms: 300, actualC: 400 })).toThrow(/outside -40 to 130/);
  });
});

describe("readSensorPoints", () => {
  it("reads pairs as one types them off a card", () => {
    expect(readSensorPoints("20: 2500; 80 °C: 320 Ω; 100 = 0,18k")).toEqual([
      { celsius: 20, ohms: 2500 },
      { celsius: 80, ohms: 320 },
      { celsius: 100, ohms: 180 },
    ]);
    expect(readSensorPoints("  ")).toEqual([]);
  });

  it.each([
    ["20: 2500; warm", /“warm” is no pair/],
    ["20: 2500", /no curve/],
    ["20: 300; 80: 2500", /fall as it warms/],
    [Array.from({ length: 13 }, (_, i) => `${i}: ${5000 - i}`).join(";"), /too many/],
  ])("refuses %s", (text, says) => {
    expect(() => readSensorPoints(text)).toThrow(says);
  });
});

describe("switchPotTest", () => {
  const stamp = { stages: [{ onC: 92, offC: 87 }] };
  const warm = (closesAt: number, opensAt: number, to = 102) => [
    ...Array.from({ length: (to - 70) / 2 + 1 }, (_, i) => 70 + 2 * i).map((celsius) => ({
      celsius,
      closed: [celsius >= closesAt],
    })),
    ...Array.from({ length: (to - 70) / 2 }, (_, i) => to - 2 - 2 * i).map((celsius) => ({
      celsius,
      closed: [celsius > opensAt],
    })),
  ];

  it("finds closing and opening within a reading's width", () => {
    const { stages, outcome } = switchPotTest(warm(93, 86), stamp);
    expect(outcome).toBe("within");
    expect(Math.abs((stages[0]?.closesC ?? 0) - 93)).toBeLessThanOrEqual(1);
    expect(Math.abs((stages[0]?.opensC ?? 0) - 86)).toBeLessThanOrEqual(1);
  });

  it.each([
    ["off", warm(101, 95, 104)],
    ["never", warm(200, 200)],
    ["not-seen", warm(200, 200, 94)],
    ["stays", [40, 60, 80, 60, 40].map((celsius) => ({ celsius, closed: [true] }))],
  ] as const)("tells %s", (outcome, readings) => {
    expect(switchPotTest(readings, stamp).outcome).toBe(outcome);
  });

  it("tells one dead stage of two", () => {
    const two = {
      stages: [
        { onC: 92, offC: 87 },
        { onC: 99, offC: 94 },
      ],
    };
    const readings = warm(93, 86, 112).map(({ celsius, closed }) => ({
      celsius,
      closed: [...closed, false],
    }));
    expect(switchPotTest(readings, two).outcome).toBe("one-stage");
    expect(() => switchPotTest(warm(93, 86), two)).toThrow(/has 1 stages; the stamp has 2/);
    expect(() => switchPotTest([], two)).toThrow(/too few/);
  });
});

describe("coldSoak", () => {
  it.each([
    [{ sensorC: 8, intakeC: 9, roomC: 7, hours: 10 }, "agree"],
    [{ sensorC: 19, intakeC: 9, roomC: 8, hours: 10 }, "apart"],
    [{ sensorC: -40, intakeC: 9, roomC: 8, hours: 10 }, "coldest"],
    [{ sensorC: 215, intakeC: 9, roomC: 8, hours: 10 }, "hottest"],
    [{ sensorC: 30, intakeC: 9, roomC: 8, hours: 2 }, "not-seen"],
    [{ sensorC: 9, intakeC: 29, roomC: 8, hours: 12 }, "not-seen"],
  ] as const)("%j is %s", (readings, outcome) => {
    expect(coldSoak(readings).outcome).toBe(outcome);
  });
});
