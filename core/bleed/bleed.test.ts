import { describe, expect, it } from "vitest";
import { seededRandom } from "../thermal/index.ts";
import { bleedProgress, coolDown } from "./index.ts";
import { airOut, shutOff } from "./virtual-cool-down.fixture.ts";

/** A car read every so often by a sensor of ±1 °C in whole degrees until the cap may be opened: what was said of it. */
function watched(random: () => number) {
  const car = shutOff(random);
  let truthS = 0;
  while (car.at(truthS) > 50 && truthS < 40_000) truthS += 10;
  const everyS = 240 + 560 * random();
  const readings: { atS: number; coolantC: number }[] = [];
  const said = { unsafe: 0, safe: 0, early: 0, late: [] as number[] };
  for (let atS = 0; atS < 43_000; atS += everyS) {
    readings.push({ atS, coolantC: Math.round(car.at(atS) + 2 * random() - 1) });
    const { safeNow, readyAtS } = coolDown(readings);
    if (safeNow === "pass") {
      said.safe++;
      if (car.at(atS) > 50) said.unsafe++;
      break;
    }
    if (!readyAtS || atS >= truthS) continue;
    expect(readyAtS.earliest).toBeGreaterThanOrEqual(atS);
    expect(readyAtS.likely).toBeGreaterThanOrEqual(readyAtS.earliest);
    expect(readyAtS.latest).toBeGreaterThanOrEqual(readyAtS.likely);
    if (readyAtS.latest < truthS) said.early++;
    said.late.push(readyAtS.latest / truthS - 1);
  }
  return said;
}

describe("when a cap may be opened", () => {
  it("is never said of a hot one, and when to look again seldom too soon, in cars of other equations", () => {
    const random = seededRandom(9);
    const all = Array.from({ length: 40 }, () => watched(random));
    const late = all.flatMap((each) => each.late).sort((a, b) => a - b);
    expect(all.filter(({ unsafe }) => unsafe > 0)).toEqual([]);
    expect(all.filter(({ safe }) => safe === 0).length).toBeLessThan(6);
    expect(late.length).toBeGreaterThan(120);
    expect(all.reduce((sum, { early }) => sum + early, 0) / late.length).toBeLessThan(0.01);
    expect(late[Math.floor(late.length / 2)]).toBeLessThan(0.25);
  }, 30_000);

  it("is said of a reading alone: by its sensor's error, and half a degree where it came whole", () => {
    const last = (coolantC: number, sensorC = 1) => coolDown([{ atS: 0, coolantC }], { sensorC }).safeNow;
    expect(last(48)).toBe("pass");
    expect(last(48.9)).toBe("pass");
    expect(last(49)).toBe("not-seen");
    expect(last(51)).toBe("not-seen");
    expect(last(52)).toBe("fail");
    expect(last(46.5, 3)).toBe("pass");
    expect(last(47.5, 3)).toBe("not-seen");
    expect(coolDown([]).safeNow).toBe("not-seen");
  });

  it("isn't said of one that rises, however cool it reads", () => {
    const said = coolDown([
      { atS: 0, coolantC: 40 },
      { atS: 300, coolantC: 46 },
    ]);
    expect(said.safeNow).toBe("not-seen");
    expect(said.because).toContain("rises");
  });

  it("isn't said of a figure that no engine falls to so fast, until it is read again", () => {
    const hot = { atS: 0, coolantC: 96 };
    const slip = { atS: 120, coolantC: 46 };
    expect(coolDown([hot, slip]).safeNow).toBe("not-seen");
    expect(coolDown([hot, slip]).because).toContain("once more");
    expect(coolDown([hot, slip, { atS: 180, coolantC: 46 }]).safeNow).toBe("pass");
    expect(coolDown([hot, slip, { atS: 180, coolantC: 95 }]).safeNow).not.toBe("pass");
    expect(coolDown([hot, { atS: 7200, coolantC: 46 }]).safeNow).toBe("pass");
    const soon = [{ atS: 60, coolantC: 46 }];
    expect(coolDown(soon, { shutOffAtS: 0 }).safeNow).toBe("not-seen");
    expect(coolDown([...soon, { atS: 90, coolantC: 46 }], { shutOffAtS: 0 }).safeNow).toBe("pass");
    expect(coolDown([{ atS: 3600, coolantC: 46 }], { shutOffAtS: 0 }).safeNow).toBe("pass");
  });

  it("isn't foretold by what rose first, by two readings, or by a flicker", () => {
    const at = (...celsius: number[]) => celsius.map((coolantC, place) => ({ atS: place * 300, coolantC }));
    expect(coolDown(at(95, 99, 102)).readyAtS).toBeUndefined();
    expect(coolDown(at(95, 80)).readyAtS).toBeUndefined();
    expect(coolDown(at(95, 94, 95, 93)).readyAtS).toBeUndefined();
  });

  it("never comes in air that is as warm as what is waited for", () => {
    const slow = Array.from({ length: 9 }, (_, place) => ({
      atS: place * 600,
      coolantC: 55 + 40 * Math.exp(-place / 3),
    }));
    expect(coolDown(slow, { ambientC: 55 }).readyAtS).toBeUndefined();
  });

  it("takes the order in which readings were written for nothing, and thousands of them in good time", () => {
    const many = Array.from({ length: 10_000 }, (_, place) => ({
      atS: place,
      coolantC: 95 * Math.exp(-place / 40_000),
    }));
    const from = performance.now();
    const said = coolDown(many);
    expect(performance.now() - from).toBeLessThan(300);
    expect(coolDown(many.toReversed())).toEqual(said);
  });

  it.each([
    [[{ atS: 0, coolantC: Number.NaN }], {}],
    [[{ atS: Number.POSITIVE_INFINITY, coolantC: 60 }], {}],
    [[{ atS: 0, coolantC: 60 }], { targetC: 5 }],
    [[{ atS: 0, coolantC: 60 }], { ambientC: 90 }],
    [[{ atS: 0, coolantC: 60 }], { sensorC: -1 }],
  ])("refuses %o with %o", (readings, given) => {
    expect(() => coolDown(readings, given)).toThrow(RangeError);
  });
});

describe("the air that is left", () => {
  it.each([
    [2, 0.05, 0.25],
    [3, 0.05, 0.25],
    [4, 0.05, 0.25],
    [6, 0.05, 0.25],
    [3, 0.02, 0.4],
    [4, 0.02, 0.4],
  ])(
    "lies in the interval in about four of five: %d cycles poured to ±%d L, shares ±%d",
    (cycles, pouredL, unlike) => {
      const random = seededRandom(17);
      const runs = 250;
      let held = 0;
      for (let run = 0; run < runs; run++) {
        const { leftL, poured } = airOut({ cycles, pouredL, unlike }, random);
        const { low, high } = bleedProgress(poured).stillL;
        if (low <= leftL && leftL <= high) held++;
      }
      expect(held / runs).toBeGreaterThan(0.71);
      expect(held / runs).toBeLessThan(0.94);
    },
  );

  it("is done only when every sign was seen, and names what wasn't", () => {
    const steady = [{ toppedUpL: 0.8 }, { toppedUpL: 0.2 }, { toppedUpL: 0.05 }, { toppedUpL: 0 }];
    const all = {
      bubbles: "pass",
      heater: "pass",
      hoses: "pass",
      fan: "pass",
      gurgle: "pass",
      "cold-level": "pass",
    } as const;
    expect(bleedProgress(steady, all).done).toBe("pass");
    expect(bleedProgress(steady).done).toBe("not-seen");
    expect(bleedProgress(steady, { ...all, heater: "not-seen" })).toMatchObject({
      done: "not-seen",
      because: expect.stringContaining("heater"),
    });
    expect(bleedProgress(steady, { ...all, gurgle: "fail" }).done).toBe("fail");
    expect(bleedProgress(steady.slice(0, 2), all).done).toBe("fail");
    expect(bleedProgress(steady.slice(0, 3), all).done).toBe("not-seen");
    expect(bleedProgress([], all).done).toBe("not-seen");
    expect(bleedProgress(steady, { ...all, level: "fail" }).done).toBe("fail");
  });

  it("refuses a top-up that can't be", () => {
    expect(() => bleedProgress([{ toppedUpL: -0.1 }])).toThrow(RangeError);
    expect(() => bleedProgress([{ toppedUpL: Number.NaN }])).toThrow(RangeError);
  });
});
