import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { samples } from "../../samples.fixture.ts";
import { gathered, rowsOf } from "../worlds/worlds.fixture.ts";
import { bleedProgress } from "./bleed-progress.ts";
import { coolDown } from "./cool-down.ts";
import { airOut, shutOff } from "./virtual-cool-down.fixture.ts";

const fileOf = (name: string) => readFileSync(new URL(`../worlds/${name}.csv`, import.meta.url), "utf8");

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
    const { safeNow, readyAtS } = coolDown(readings, { ranUntilS: 0, hottestC: car.at(0) });
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

/** Readings so many minutes after it ran, °C. */
const at = (...pairs: [minute: number, celsius: number][]) =>
  pairs.map(([minute, coolantC]) => ({ atS: minute * 60, coolantC }));
const RAN = { ranUntilS: 0, hottestC: 95, ambientC: 18 };
/** A sound engine of two constants, watched down. */
const sound = (minutes: number, everyMinutes = 8) =>
  Array.from({ length: Math.floor(minutes / everyMinutes) }, (_, place) => {
    const minute = 2 + place * everyMinutes;
    return {
      atS: minute * 60,
      coolantC: Math.round(18 + 4 * Math.exp(-minute / 6) + 74 * Math.exp(-minute / 75)),
    };
  });

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
  });

  it("is said of an engine that was watched down from where it stopped", () => {
    expect(coolDown(sound(60), RAN).safeNow).toBe("fail");
    const { safeNow, because } = coolDown(sound(80), RAN);
    expect(because).toContain("Cloth over it");
    expect(safeNow).toBe("pass");
  });

  it.each([
    [
      "falls from 111 to 46 in ten seconds",
      [
        [0, 111],
        [0.1, 46],
        [0.17, 46],
      ],
    ],
    [
      "says 46 again three minutes after 96",
      [
        [0, 96],
        [2, 46],
        [3, 46],
      ],
    ],
    ["says 48 once, five and a half minutes after it ran", [[5.5, 48]]],
    [
      "is open at 19 minutes",
      [
        [1, 96],
        [9, 88],
        [19, -30],
      ],
    ],
    [
      "is unplugged",
      [
        [1, 96],
        [9, 88],
        [19, -40],
      ],
    ],
    [
      "rises by two degrees a time",
      [
        [60, 43],
        [70, 45],
        [80, 47],
        [90, 49],
      ],
    ],
    [
      "fell to the air",
      [
        [1, 98],
        [12, 88],
        [24, 80],
        [36, 18],
        [45, 18],
        [52, 19],
      ],
    ],
    [
      "sticks",
      [
        [1, 98],
        [12, 88],
        [24, 80],
        [36, 46],
        [45, 46],
        [52, 46],
        [70, 46],
      ],
    ],
    [
      "hangs in a pocket of air",
      [
        [2, 70],
        [9, 64],
        [20, 56],
        [31, 50],
        [40, 47],
        [50, 44],
      ],
    ],
    ["was read once, an hour later", [[60, 46]]],
  ] as [string, [number, number][]][])("is not said of a sensor that %s", (_, pairs) => {
    const { safeNow, because } = coolDown(at(...pairs), { ranUntilS: 0, hottestC: 98, ambientC: 18 });
    expect(because).not.toBe("");
    expect(safeNow).not.toBe("pass");
  });

  it("is said again once a slip of the hand was followed by what one engine can have", () => {
    const slip = sound(88).map((each, place) => (place === 3 ? { ...each, coolantC: 15 } : each));
    expect(coolDown(slip, RAN).safeNow).toBe("pass");
    expect(coolDown(slip.slice(0, 4), RAN).safeNow).not.toBe("pass");
  });

  it("is said of nothing that was read elsewhere than at the engine", () => {
    for (const where of ["radiator", "surface", "unknown"] as const)
      expect(
        coolDown(
          sound(80).map((each) => ({ ...each, where })),
          RAN,
        ).safeNow,
        where,
      ).not.toBe("pass");
  });

  it("is over when the engine runs again, and a quarter of an hour after its reading", () => {
    const down = sound(80);
    const lastS = down.at(-1)?.atS ?? 0;
    expect(coolDown(down, { ...RAN, nowS: lastS + 890 }).safeNow).toBe("pass");
    expect(coolDown(down, { ...RAN, nowS: lastS + 910 }).safeNow).toBe("not-seen");
    expect(coolDown(down, { ...RAN, ranUntilS: lastS + 60 }).because).toContain("since the engine ran");
  });

  it("is not said by a clock that is ahead of the server's", () => {
    const ahead = sound(80).map((each) => ({ ...each, atS: each.atS + 3600 }));
    expect(coolDown([...ahead.slice(0, 2), ...ahead.slice(-1)], { ...RAN, nowS: 1200 }).safeNow).not.toBe(
      "pass",
    );
  });

  it("is not said where a hot figure came in late by a slow clock", () => {
    const down = sound(80);
    const lastS = down.at(-1)?.atS ?? 0;
    expect(
      coolDown([...down, { atS: lastS - 500, coolantC: 93 }], { ...RAN, nowS: lastS + 60 }).safeNow,
    ).not.toBe("pass");
  });

  it("is said of one reading near the air after a night, and of a late one that even the slowest engine has come down to", () => {
    const one = (hours: number, coolantC: number) => [{ atS: hours * 3600, coolantC }];
    expect(coolDown(one(0, 17), { ambientC: 15 }).safeNow).toBe("pass");
    expect(coolDown(one(0, 40), { ambientC: 15 }).safeNow).toBe("not-seen");
    expect(coolDown(one(0, 17)).safeNow).toBe("not-seen");
    expect(coolDown(one(9, 30), RAN).safeNow).toBe("pass");
    expect(coolDown(one(2, 30), RAN).safeNow).not.toBe("pass");
  });

  it("is told by the housing's surface slowly: twice, after an hour, with the hose for a witness", () => {
    const read = (...pairs: [number, number][]) =>
      at(...pairs).map((each) => ({ ...each, where: "surface" as const }));
    const hose = { ...RAN, upperHose: "soft-and-cool" as const };
    expect(coolDown(read([75, 40], [86, 38]), hose).safeNow).toBe("pass");
    expect(coolDown(read([75, 40], [86, 38]), RAN).because).toContain("upper hose");
    expect(coolDown(read([75, 40], [80, 38]), hose).because).toContain("ten minutes");
    expect(coolDown(read([40, 40], [52, 38]), hose).because).toContain("an hour");
    expect(coolDown(read([75, 44], [86, 41]), hose).safeNow).not.toBe("pass");
    expect(coolDown(read([75, 40], [86, 38]), { ...RAN, upperHose: "hard-or-hot" }).safeNow).not.toBe("pass");
    expect(coolDown(sound(80), { ...RAN, upperHose: "hard-or-hot" }).safeNow).not.toBe("pass");
  });

  it("isn't foretold by what rose first, by two readings, or by a flicker", () => {
    const every = (...celsius: number[]) =>
      celsius.map((coolantC, place) => ({ atS: place * 300, coolantC }));
    expect(coolDown(every(95, 99, 102)).readyAtS).toBeUndefined();
    expect(coolDown(every(95, 80)).readyAtS).toBeUndefined();
    expect(coolDown(every(95, 94, 95, 93)).readyAtS).toBeUndefined();
  });

  it("never comes in air that is as warm as what is waited for", () => {
    const slow = Array.from({ length: 9 }, (_, place) => ({
      atS: place * 600,
      coolantC: 55 + 40 * Math.exp(-place / 3),
    }));
    expect(coolDown(slow, { ambientC: 55 }).readyAtS).toBeUndefined();
  });

  it("takes the order in which readings were written for nothing, thousands of them", () => {
    const many = Array.from({ length: 10_000 }, (_, place) => ({
      atS: place,
      coolantC: 95 * Math.exp(-place / 40_000),
    }));
    expect(coolDown(many.toReversed())).toEqual(coolDown(many));
  });

  it.each([
    [[{ atS: 0, coolantC: Number.NaN }], {}],
    [[{ atS: Number.POSITIVE_INFINITY, coolantC: 60 }], {}],
    [[{ atS: 0, coolantC: 60 }], { targetC: 5 }],
    [[{ atS: 0, coolantC: 60 }], { ambientC: 90 }],
    [[{ atS: 0, coolantC: 60 }], { sensorC: -1 }],
    [[{ atS: 0, coolantC: 60 }], { nowS: Number.NaN }],
    [[{ atS: 0, coolantC: 60 }], { hottestC: 900 }],
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

  it("lies in the interval in runs that somebody else thought out: one pocket, two, and one that lets go late", () => {
    const held = new Map<string, { of: number; held: number; leaks: number }>();
    const all = [...gathered(rowsOf(fileOf("bleed-cycles")), "run").values()];
    const every = all.length / samples(160, all.length);
    for (const rows of all.filter((_, place) => place % every < 1))
      for (let cycles = 2; cycles <= rows.length; cycles++) {
        const kind = rows[0]?.kind ?? "";
        const count = held.get(kind) ?? { of: 0, held: 0, leaks: 0 };
        held.set(kind, count);
        const poured = rows.slice(0, cycles).map((row) => ({ toppedUpL: Number(row.topped_up_l) }));
        const { stillL, because } = bleedProgress(poured);
        const leftL = Number(rows[cycles - 1]?.air_left_after_l);
        count.of++;
        if (stillL.low <= leftL && leftL <= stillL.high) count.held++;
        if (because.includes("leak")) count.leaks++;
      }
    for (const kind of ["one pocket", "two pockets", "late pocket"]) {
      const { of = 0, held: inside = 0, leaks = 0 } = held.get(kind) ?? {};
      expect(inside / of, kind).toBeGreaterThan(0.75);
      expect(inside / of, kind).toBeLessThan(0.9);
      expect(leaks / of, kind).toBeLessThan(0.01);
    }
    expect(held.get("steady leak")?.leaks).toBeGreaterThan(250 / every);
  });

  it("is next to nothing after six top-ups of nought, and a leak where eight of them were alike", () => {
    const times = (count: number, toppedUpL: number) => Array.from({ length: count }, () => ({ toppedUpL }));
    expect(bleedProgress(times(6, 0)).stillL.likely).toBeLessThan(0.05);
    expect(bleedProgress(times(8, 0.2))).toMatchObject({
      done: "fail",
      because: expect.stringContaining("leak"),
    });
    expect(bleedProgress(times(2, 0.2)).because).not.toContain("leak");
  });

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
