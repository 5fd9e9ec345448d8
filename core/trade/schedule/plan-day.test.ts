import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { brokenRules } from "./broken-rules.fixture.ts";
import { anyDay, costOf, EIGHT_TO_SIX, inTurn, ofOne, slipping } from "./days.fixture.ts";
import { exactCost } from "./exact-day.fixture.ts";
import { type DayGiven, planDay, plansOfDay } from "./index.ts";

describe("a day that is laid", () => {
  it("makes one car's waiting another's work", () => {
    const plan = planDay(
      ofOne({
        jobs: [
          {
            id: "1347",
            acts: [
              { id: "drain", minutes: 10, restAfter: 60 },
              { id: "strip", minutes: 30, after: ["drain"] },
            ],
          },
          { id: "2417", acts: [{ id: "test", minutes: 50 }] },
        ],
      }),
    );
    expect(plan.slips.map(({ act, start }) => [act, start])).toEqual([
      ["drain", 480],
      ["test", 490],
      ["strip", 550],
    ]);
    expect(plan.cost).toBe(100 + 60 + 2 * 3);
  });

  it("keeps every rule on days of every kind", () => {
    const random = seededRandom(23);
    for (let day = 0; day < 20; day++) {
      const given = anyDay(random, {
        acts: 4 + Math.floor(random() * 14),
        jobs: 6,
        people: 1 + Math.floor(random() * 4),
        lifts: Math.floor(random() * 3),
      });
      expect(brokenRules(given, planDay(given))).toEqual([]);
    }
  });

  it("costs within 5 % of the least that a small day can", () => {
    const random = seededRandom(2323);
    const over: string[] = [];
    let counted = 0;
    for (let day = 0; counted < 20; day++) {
      const exact = anyDay(random, { acts: 3 + (day % 5), jobs: 3, people: 1 + (day % 3), lifts: day % 3 });
      const given = day % 2 ? slipping(exact, random) : exact;
      const { cost, unplaced } = planDay(given);
      if (unplaced.length > 0) continue;
      counted++;
      const least = exactCost(given, cost);
      if (least !== undefined && cost > least * 1.05) over.push(`day ${day}: ${cost}, at least ${least}`);
    }
    expect(over).toEqual([]);
  }, 60_000);

  it("is never worse than first come first served", () => {
    const random = seededRandom(232);
    let served = 0;
    for (let day = 0; day < 10; day++) {
      const given = anyDay(random, { acts: 16, jobs: 6, people: 3, lifts: 2 });
      const plain = {
        ...given,
        jobs: given.jobs.map((job) => ({ ...job, acts: job.acts.map(({ hot: _, ...act }) => act) })),
      };
      const ends = inTurn(plain);
      if (ends.size === 0) continue;
      served++;
      const plan = planDay(plain);
      expect(plan.unplaced).toEqual([]);
      expect(plan.cost - costOf(plain, ends)).toBeLessThanOrEqual(3 * 16);
    }
    expect(served).toBeGreaterThan(5);
  });
});

describe("a car in parts", () => {
  const onLift = (id: string) => ({ id, acts: [{ id: "strip", minutes: 60, lift: true }] });

  it("stays on its lift when the other one is free again", () => {
    const given = ofOne({
      lifts: 2,
      people: ["ilse", "tobin"].map((id) => ({ id, ...EIGHT_TO_SIX })),
      jobs: [onLift("a"), onLift("b")],
    });
    const { slips } = planDay(given);
    const second = slips.find(({ lift }) => lift === 1);
    const again = planDay({
      ...given,
      jobs: given.jobs.filter(({ id }) => id === second?.job),
      before: slips,
    });
    expect(again.slips).toEqual([second]);
  });

  it("whose last act doesn't fit is late for its promise, though the rest ends before", () => {
    const acts = [
      { id: "strip", minutes: 60 },
      { id: "build", minutes: 600, after: ["strip"] },
    ];
    const plan = planDay(ofOne({ jobs: [{ id: "a", promisedAt: 900, acts }] }));
    expect(plan.late).toEqual([
      { job: "a", minutes: 180, because: "build: its 600 minutes don't fit today any more" },
    ]);
  });
});

describe("what is held, and what doesn't fit", () => {
  it("stays at its time and with its person, and the rest gives way", () => {
    const plan = planDay(
      ofOne({
        people: ["ilse", "tobin"].map((id) => ({ id, ...EIGHT_TO_SIX })),
        jobs: [
          { id: "a", promisedAt: 560, acts: [{ id: "strip", minutes: 60, by: "tobin" }] },
          { id: "b", acts: [{ id: "top up", minutes: 30, by: "tobin", at: 500 }] },
        ],
      }),
    );
    expect(plan.slips.map(({ act, people, start }) => [act, people[0], start])).toEqual([
      ["top up", "tobin", 500],
      ["strip", "tobin", 530],
    ]);
    expect(plan.late).toEqual([
      { job: "a", minutes: 30, because: "strip: nobody is free for it before, 50 minutes" },
    ]);
  });

  it("is left out with its reason", () => {
    const reasons = planDay(
      ofOne({
        jobs: [
          { id: "a", acts: [{ id: "strip", minutes: 90, people: 2 }] },
          { id: "b", acts: [{ id: "lift", minutes: 30, lift: true }] },
          {
            id: "c",
            acts: [
              { id: "long", minutes: 700 },
              { id: "more", minutes: 5, after: ["long"] },
            ],
          },
          { id: "d", acts: [{ id: "hers", minutes: 30, by: "ilse" }] },
        ],
      }),
    ).unplaced.map(({ act, because }) => `${act}: ${because}`);
    expect(reasons).toEqual([
      "strip: it wants two people, and one is here",
      "lift: it wants a lift, and there is none",
      "long: its 700 minutes don't fit today any more",
      "more: what it comes after doesn't fit today",
      "hers: it is held to ilse, who isn't here",
    ]);
  });

  it("is no break worked through, and no second engine run by one person", () => {
    const { slips } = planDay(
      ofOne({
        people: [{ id: "tobin", ...EIGHT_TO_SIX, breaks: [[500, 520]] }],
        jobs: [
          { id: "a", acts: [{ id: "warm up", minutes: 20, hot: true, restAfter: 40 }] },
          { id: "b", acts: [{ id: "warm up", minutes: 20, hot: true, restAfter: 40 }] },
        ],
      }),
    );
    expect(slips.map(({ start }) => start)).toEqual([480, 540]);
  });

  it("leaves what belongs together with the same hands, laid for the first time or again, and away from them only where they go", () => {
    const random = seededRandom(2310);
    for (let each = 0; each < 15; each++) {
      const day = anyDay(random, { acts: 14, jobs: 4, people: 3, lifts: 1 });
      const jobs = day.jobs.map((job) => ({
        ...job,
        acts: job.acts.map(({ by: _, people: __, ...act }, at) => {
          const [before] = act.after ?? [];
          return { ...act, ...(before && at % 2 === 1 && { same: before, minutes: 1 }) };
        }),
      }));
      const given = { ...day, jobs };
      const plan = planDay(given);
      const again = planDay({ ...given, now: given.now + 30, before: plan.slips });
      for (const { slips } of [plan, again])
        for (const { id, acts } of jobs)
          for (const { id: act, same } of acts) {
            const hands = (of: string | undefined) =>
              slips.find((slip) => slip.job === id && slip.act === of);
            const [own, first] = [hands(act), hands(same)];
            if (same && own && first) expect(own.people).toEqual(first.people);
          }
      expect(brokenRules(given, plan)).toEqual([]);
    }
    const leaves = planDay(
      ofOne({
        people: [
          { id: "tobin", from: 480, to: 500 },
          { id: "ilse", from: 480, to: 1080 },
        ],
        jobs: [
          {
            id: "a",
            acts: [
              { id: "run", minutes: 20, by: "tobin" },
              { id: "off", minutes: 1, after: ["run"], same: "run" },
            ],
          },
        ],
      }),
    );
    expect(leaves.slips.map(({ people }) => people)).toEqual([["tobin"], ["ilse"]]);
  });

  it.each([
    [{ jobs: [{ id: "a", acts: [{ id: "x", minutes: 5, same: "y" }] }] }, "the hands of y"],
    [{ now: 480.5 }, "now is 480.5"],
    [{ lifts: -1 }, "lifts is -1"],
    [{ jobs: [{ id: "a", acts: [{ id: "x", minutes: -5 }] }] }, "x of a: its minutes is -5"],
    [{ jobs: [{ id: "a", acts: [{ id: "x", minutes: 5, after: ["y"] }] }] }, "comes after y"],
    [
      {
        jobs: [
          {
            id: "a",
            acts: [
              { id: "x", minutes: 5, after: ["y"] },
              { id: "y", minutes: 5, after: ["x"] },
            ],
          },
        ],
      },
      "x, y of a wait for each other",
    ],
    [
      {
        jobs: [
          { id: "a", acts: [] },
          { id: "a", acts: [] },
        ],
      },
      "Two of a name",
    ],
  ] as [Partial<DayGiven>, string][])("is refused where it can't be: %j", (given, words) => {
    expect(() => planDay(ofOne(given))).toThrow(RangeError);
    expect(() => planDay(ofOne(given))).toThrow(words);
  });

  it("is nothing on a day with nothing in it, or nobody", () => {
    expect(planDay(ofOne({}))).toEqual({ slips: [], cost: 0, late: [], unplaced: [] });
    const alone = planDay(ofOne({ people: [], jobs: [{ id: "a", acts: [{ id: "x", minutes: 5 }] }] }));
    expect(alone.unplaced).toEqual([{ job: "a", act: "x", because: "nobody is here" }]);
  });

  it("is laid the same way twice, and better and better while it is searched", () => {
    const given = anyDay(seededRandom(5), { acts: 12, jobs: 4, people: 3, lifts: 2 });
    const costs = [...plansOfDay(given)].map(({ cost, unplaced }) => cost + 1e7 * unplaced.length);
    expect([...costs].sort((a, b) => b - a)).toEqual(costs);
    expect(planDay(given)).toEqual(planDay(given));
  });
});
