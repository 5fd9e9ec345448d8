import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { samples } from "../../samples.fixture.ts";
import { anyDay, EIGHT_TO_SIX, ofOne } from "./days.fixture.ts";
import { planDay } from "./index.ts";

describe("a day that is laid again", () => {
  it("stays where it was where nothing happened, and where somebody else's act was touched", () => {
    const random = seededRandom(77);
    for (let day = 0; day < 6; day++) {
      const given = anyDay(random, { acts: 14, jobs: 6, people: 3, lifts: 2 });
      const before = planDay(given);
      const again = planDay({ ...given, before: before.slips });
      expect(again.cost).toBeLessThanOrEqual(before.cost);
      const moved = again.slips.filter(({ job, act, start }) =>
        before.slips.every((was) => was.job !== job || was.act !== act || was.start !== start),
      );
      // Nothing moves that the day isn't better by, and what is next for somebody by much more.
      const soon = moved.filter(({ job, act }) =>
        before.slips.some((was) => was.job === job && was.act === act && was.start < given.now + 30),
      );
      if (moved.length > 0)
        expect(before.cost - again.cost).toBeGreaterThan(30 * moved.length + 24 * soon.length);
    }
  });

  it("costs little more than one laid afresh where a day with room is disturbed, and moves few of its slips", () => {
    const random = seededRandom(4711);
    let [slips, moved, cost, afresh] = [0, 0, 0, 0];
    const days = samples(8, 24);
    for (let day = 0; day < days; day++) {
      const given = anyDay(random, { acts: 24, jobs: 8, people: 4, lifts: 3 });
      const before = planDay(given);
      if (before.unplaced.length > 0) continue;
      const [late, ...others] = given.jobs.map((job, at) => ({
        ...job,
        acts: job.acts.map((act, of) => (at + of === 0 ? { ...act, minutes: act.minutes + 30 } : act)),
      }));
      const next = { ...given, jobs: late ? [late, ...others] : others };
      const again = planDay({ ...next, before: before.slips });
      cost += again.cost;
      afresh += planDay(next).cost;
      slips += before.slips.length;
      for (const { job, act, start, people } of again.slips) {
        const was = before.slips.find((each) => each.job === job && each.act === act);
        if (was && (was.start !== start || was.people.join() !== people.join())) moved++;
      }
    }
    expect(slips).toBeGreaterThan(days * 8);
    expect(moved / slips).toBeLessThan(0.25);
    expect(cost / afresh).toBeLessThan(1.06);
  });

  it("moves what an ill person would have done, and leaves the others' work alone", () => {
    const given = ofOne({
      people: ["ilse", "tobin"].map((id) => ({ id, ...EIGHT_TO_SIX })),
      jobs: [
        { id: "a", acts: [{ id: "strip", minutes: 120, by: "ilse" }] },
        { id: "b", acts: [{ id: "test", minutes: 60, by: "tobin" }] },
      ],
    });
    const { slips } = planDay(given);
    const ill = {
      ...given,
      people: given.people.filter(({ id }) => id === "tobin"),
      jobs: given.jobs.map((job) => ({ ...job, acts: job.acts.map(({ by: _, ...act }) => act) })),
      before: slips,
    };
    const again = planDay(ill);
    expect(again.slips.map(({ job, people, start }) => [job, people[0], start])).toEqual([
      ["b", "tobin", 480],
      ["a", "tobin", 540],
    ]);
  });

  it("lets go first what was promised, though it came last, and moves no more than that takes", () => {
    const given = ofOne({
      now: 660,
      jobs: [
        { id: "a", acts: [{ id: "strip", minutes: 60 }] },
        { id: "b", acts: [{ id: "test", minutes: 60 }] },
      ],
    });
    const { slips } = planDay(given);
    const jobs = [...given.jobs, { id: "c", promisedAt: 720, acts: [{ id: "fuse", minutes: 60 }] }];
    const again = planDay({ ...given, jobs, before: slips });
    expect(again.late).toEqual([]);
    expect(again.slips.find(({ job }) => job === "c")?.start).toBe(660);
    const kept = again.slips.filter(({ job, start }) =>
      slips.some((was) => was.job === job && was.start === start),
    );
    expect(kept).toHaveLength(1);
  });
});
