import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { anyDay } from "./days.fixture.ts";
import { type DayGiven, planDay, readyRanges, spreadOf } from "./index.ts";

const day = (given: Partial<DayGiven>): DayGiven => ({
  now: 480,
  people: [{ id: "tobin", from: 480, to: 1020 }],
  lifts: 0,
  jobs: [],
  ...given,
});

describe("how far work spreads", () => {
  it("says nothing of four, and takes one that was left overnight for what it is", () => {
    expect(spreadOf([1, 1.1, 0.9, 1])).toBeUndefined();
    const sound = [0.8, 0.9, 1, 1.1, 1.2, 1.3, 1];
    const plain = spreadOf(sound);
    const odd = spreadOf([...sound, 40]);
    expect(plain?.middle).toBeCloseTo(1, 1);
    expect(Math.abs((odd?.sigma ?? 0) - (plain?.sigma ?? 0))).toBeLessThan(0.15);
    expect(spreadOf([Number.NaN, 0, -1, Number.POSITIVE_INFINITY, 1])).toBeUndefined();
  });

  it("finds again what figures were drawn by", () => {
    const random = seededRandom(5);
    // A sum of twelve is near enough to normal, and no way of drawing that the code has.
    const normal = () => Array.from({ length: 12 }, random).reduce((sum, each) => sum + each, -6);
    const found = spreadOf(Array.from({ length: 3000 }, () => 1.4 * Math.exp(0.3 * normal())));
    expect(found?.middle).toBeCloseTo(1.4, 1);
    expect(found?.sigma).toBeCloseTo(0.3, 1);
  });
});

describe("when a job is ready", () => {
  it("holds eight in ten of what comes, where durations are drawn by another distribution", () => {
    const random = seededRandom(77);
    let within = 0;
    let count = 0;
    for (let each = 0; each < 60; each++) {
      const minutes = 20 + Math.floor(random() * 100);
      const given = day({ jobs: [{ id: "a", acts: [{ id: "x", minutes }] }] });
      // Work that is done twice as long one time in eight, else about as said: triangular, skewed.
      const real = () =>
        minutes * (random() < 0.12 ? 1.5 + random() * 0.6 : 0.65 + (random() + random()) * 0.35);
      const spread = spreadOf(Array.from({ length: 40 }, () => real() / minutes));
      const [range] = readyRanges(given, planDay(given), { spreadOf: () => spread });
      for (let come = 0; come < 40; come++) {
        const end = 480 + real();
        count++;
        if (range && end >= range.from && end <= range.to) within++;
      }
    }
    expect(within / count).toBeGreaterThan(0.75);
    expect(within / count).toBeLessThan(0.9);
  });

  it("lies about the plan's own end, and wider the more stands in a row", () => {
    const chain = (count: number) =>
      day({
        jobs: [
          {
            id: "a",
            acts: Array.from({ length: count }, (_, act) => ({
              id: `${act}`,
              minutes: 30,
              ...(act > 0 && { after: [`${act - 1}`] }),
            })),
          },
        ],
      });
    const [short] = readyRanges(chain(1), planDay(chain(1)));
    const [long] = readyRanges(chain(8), planDay(chain(8)));
    expect(short?.from).toBeLessThan(510);
    expect(short?.to).toBeGreaterThan(510);
    expect((long?.to ?? 0) - (long?.from ?? 0)).toBeGreaterThan((short?.to ?? 0) - (short?.from ?? 0));
  });

  it("runs on into the next morning, and says of every day something that can be", () => {
    const given = day({
      jobs: [
        {
          id: "a",
          acts: [
            { id: "x", minutes: 500 },
            { id: "y", minutes: 120, after: ["x"] },
          ],
        },
      ],
    });
    const [range] = readyRanges(given, planDay(given), { opensNext: [1920] });
    expect(range?.to).toBeGreaterThan(1920 + 60);
    const random = seededRandom(78);
    for (let each = 0; each < 25; each++) {
      const any = anyDay(random, { acts: 12, jobs: 4, people: 1 + (each % 3), lifts: each % 3 });
      const isOpen = (at: number) =>
        at <= 1080 || ((at - 1920) % 1440 >= 0 && (at - 1920) % 1440 <= 1080 - 480);
      for (const { from, to } of readyRanges(any, planDay(any), { opensNext: [1920], tries: 40 })) {
        expect([from, to].filter((at) => !isOpen(at))).toEqual([]);
        expect(Number.isFinite(from) && Number.isFinite(to)).toBe(true);
        expect(to).toBeGreaterThanOrEqual(from);
        expect(from).toBeGreaterThanOrEqual(any.now);
      }
    }
  });

  it("is not after the shop has closed, though what is begun may run on: a full day's last car is told by closing or next morning", () => {
    const jobs = Array.from({ length: 9 }, (_, job) => ({ id: `${job}`, acts: [{ id: "x", minutes: 57 }] }));
    const given = day({ now: 490, jobs });
    const ranges = readyRanges(given, planDay(given), { opensNext: [1920] });
    for (const { to } of ranges) expect(to <= 1020 || (to > 1920 && to <= 1920 + 540), `${to}`).toBe(true);
    expect(ranges.some(({ to }) => to > 1920)).toBe(true);
    expect(ranges.some(({ to }) => to <= 1020)).toBe(true);
    // Asked at five in the morning: nothing is ready before anybody is there.
    const early = readyRanges({ ...given, now: 300 }, planDay({ ...given, now: 300 }), { opensNext: [1920] });
    expect(early.filter(({ from }) => from < 480)).toEqual([]);
    // Closed tomorrow: the day after.
    const later = readyRanges(given, planDay(given), { opensNext: [3360] });
    expect(later.map(({ to }) => (to > 3360 ? to - 1440 : to))).toEqual(ranges.map(({ to }) => to));
  });

  it("leaves out the days on which the shop is shut, between two that it is open as well", () => {
    const long = Array.from({ length: 30 }, (_, job) => ({ id: `${job}`, acts: [{ id: "x", minutes: 60 }] }));
    const given = day({ jobs: long });
    const opensNext = [1920, 1920 + 3 * 1440];
    const isOpen = (at: number) =>
      at <= 1020 || (at >= 1920 && at <= 2460) || (at >= 6240 && (at - 6240) % 1440 <= 540);
    const ranges = readyRanges(given, planDay(given), { opensNext });
    expect(ranges.filter(({ from, to }) => !isOpen(from) || !isOpen(to))).toEqual([]);
    expect(ranges.some(({ from }) => from >= 1920 + 3 * 1440)).toBe(true);
  });
});
