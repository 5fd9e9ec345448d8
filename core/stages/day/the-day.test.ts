import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { anyBook } from "../../state/any-book.fixture.ts";
import { jobState } from "../../state/index.ts";
import { brokenRules } from "../../trade/schedule/broken-rules.fixture.ts";
import { planDay } from "../../trade/schedule/index.ts";
import { CARD } from "../next/follow.fixture.ts";
import {
  type DayShop,
  type DayWork,
  laidDay,
  layHolding,
  type Piece,
  theDay,
  USUAL_HOURS,
  workLeft,
} from "./index.ts";

const TUESDAY = "2031-03-04";
const shop = (given: Partial<DayShop> = {}): DayShop => ({
  now: `${TUESDAY}T08:00:00.000Z`,
  timeZone: "UTC",
  hours: USUAL_HOURS,
  people: ["tobin", "ilse"],
  away: [],
  holds: [],
  ...given,
});
const piece = (id: string, minutes: number, given: Partial<Piece> = {}): Piece => ({
  id,
  stage: "build",
  what: `Do ${id}`,
  minutes,
  people: 1,
  after: [],
  ...given,
});
const work = (id: string, pieces: Piece[], given: Partial<DayWork> = {}): DayWork => ({
  id,
  pieces,
  ...given,
});
const NAMES: Record<string, string> = { tobin: "Tobin Askel", ilse: "Ilse Vantry" };
function lay(works: DayWork[], of: DayShop = shop()) {
  const day = theDay(works, of);
  const { plan, given, gaveUp } = layHolding(day.given, planDay);
  expect(brokenRules(given, plan)).toEqual([]);
  return laidDay(plan, day, works, of, (id) => NAMES[id] ?? id, { gaveUp });
}
const clock = (iso = "") => iso.slice(11, 16);

describe("the day of a shop", () => {
  it("lays what is left on any books and breaks no rule, at any hour, with people away and lifts out", () => {
    const random = seededRandom(232);
    for (let each = 0; each < 12; each++) {
      const now = new Date(Date.UTC(2031, 2, 4) + random() * 7 * 86_400_000).toISOString();
      const works = Array.from({ length: 1 + Math.floor(random() * 5) }, (_, job): DayWork => {
        const entries = anyBook(Math.floor(random() * 30), random);
        const pieces = workLeft(jobState(entries, CARD, now), CARD, now);
        return work(`job-${job}`, pieces, {
          ...(random() < 0.5 && { lift: 1 + Math.floor(random() * 3) }),
          ...(random() < 0.5 && { promisedAt: new Date(Date.parse(now) + random() * 1e8).toISOString() }),
        });
      });
      const later = new Date(Date.parse(now) + 5e7).toISOString();
      const away = random() < 0.5 ? [{ personId: "tobin", from: now, until: later }] : [];
      const out = random() < 0.5 ? [{ lift: 1, from: now, until: later }] : [];
      const of = shop({ now, away: [...away, ...out] });
      const laid = lay(works, of);
      const all = works.reduce((sum, { pieces }) => sum + pieces.length, 0);
      expect(laid.slips.length).toBeLessThanOrEqual(all);
      for (const { id, pieces } of works) {
        const isWhole = laid.slips.filter(({ jobId }) => jobId === id).length === pieces.length;
        expect(laid.notToday.some(({ jobId }) => jobId === id)).toBe(!isWhole);
      }
      for (const { because } of laid.notToday) expect(because).toMatch(/\w{3}.*\w/);
      if (laid.slips.length > 0) expect(laid.slips.every(({ from }) => from >= laid.opensAt)).toBe(true);
    }
  });

  it("is the next open day once the shop has closed", () => {
    const friday = lay([work("a", [piece("x", 30)])], shop({ now: "2031-03-07T18:00:00.000Z" }));
    expect(friday.day).toBe("2031-03-10");
    expect(friday.slips[0]?.from).toBe("2031-03-10T08:00:00.000Z");
  });

  it.each([
    ["put forward", "2031-03-30", "2031-03-30T06:00:00.000Z"],
    ["put back", "2031-10-26", "2031-10-26T07:00:00.000Z"],
  ])("opens by its clock on a day that it is %s", (_, day, opens) => {
    const of = shop({
      now: `${day}T00:30:00.000Z`,
      timeZone: "Europe/Berlin",
      hours: { ...USUAL_HOURS, days: [7] },
    });
    const laid = lay([work("a", [piece("x", 240), piece("y", 60, { after: ["x"] })])], of);
    expect(laid.slips[0]?.from).toBe(opens);
    // Noon's break lies where the clock says, so that four hours in one go begin before it and end there.
    const ends = Date.parse(laid.slips[0]?.until ?? "") - Date.parse(opens);
    expect(ends).toBe(4 * 3_600_000);
    expect(Date.parse(laid.slips[1]?.from ?? "") - Date.parse(opens)).toBe(4.5 * 3_600_000);
  });

  it("fills one car's rest with another's work", () => {
    const dries = work("a", [
      piece("drain", 5, { rest: { minutes: 60, words: "it drains" } }),
      piece("on", 30, { after: ["drain"] }),
    ]);
    const laid = lay([dries, work("b", [piece("other", 50)])], shop({ people: ["tobin"] }));
    expect(laid.slips.map(({ piece: id }) => id)).toEqual(["drain", "other", "on"]);
    expect(clock(laid.ready.find(({ jobId }) => jobId === "a")?.at)).toBe("09:35");
  });

  it("says what a job waits for that doesn't get done, and when it is likely to be", () => {
    const van = { at: `${TUESDAY}T19:00:00.000Z`, words: "the radiator comes on the late van" };
    const laid = lay([
      work("late", [piece("box", 10, { notBefore: van })]),
      work("untold", [piece("ask", 10, { isHeld: "the owner thinks; nobody wrote until when" })]),
      work("night", [
        piece("off", 1, { rest: { minutes: 600, words: "it stands until it is cold" } }),
        piece("cold", 5, { after: ["off"] }),
      ]),
    ]);
    const why = (jobId: string) => laid.notToday.find((each) => each.jobId === jobId)?.because;
    expect(why("late")).toBe("the radiator comes on the late van");
    expect(why("untold")).toMatch(/the owner thinks/);
    expect(why("night")).toBe("it stands until it is cold");
    expect(laid.ready.find(({ jobId }) => jobId === "untold")?.at).toBeUndefined();
    expect(laid.ready.find(({ jobId }) => jobId === "night")?.at?.slice(0, 10)).toBe("2031-03-05");
  });

  it("keeps a held piece with its person and at its time, and where it can't be kept lays it all the same and says so", () => {
    const held = { jobId: "a", piece: "x", personId: "ilse", at: `${TUESDAY}T10:30:00.000Z` };
    const [slip] = lay([work("a", [piece("x", 30)])], shop({ holds: [held] })).slips;
    expect(slip).toMatchObject({ people: ["ilse"], from: held.at });
    const away = [{ personId: "ilse", from: `${TUESDAY}T07:00:00.000Z`, until: `${TUESDAY}T20:00:00.000Z` }];
    const ill = lay([work("a", [piece("x", 30)])], shop({ holds: [held], away }));
    expect(ill.slips[0]).toMatchObject({ people: ["tobin"], from: held.at });
    expect(ill.lostHolds).toEqual([
      {
        jobId: "a",
        piece: "x",
        because: expect.stringMatching(/^it is held to Ilse Vantry, who isn't free at its time/),
      },
    ]);
    const early = { jobId: "a", piece: "y", at: `${TUESDAY}T08:15:00.000Z` };
    const chain = [piece("x", 30), piece("y", 20, { after: ["x"] }), piece("z", 20, { after: ["y"] })];
    const pushed = lay([work("a", chain)], shop({ holds: [early] }));
    expect(pushed.slips.map(({ from }) => clock(from))).toEqual(["08:00", "08:30", "08:50"]);
    expect(pushed.lostHolds?.map(({ because }) => because)).toEqual([
      "it is held to a time before its own work is that far",
    ]);
    // Whoever is here and has no time for it keeps it: it is theirs tomorrow.
    const theirs = { jobId: "a", piece: "x", personId: "ilse" };
    const full = lay([work("a", [piece("x", 240)]), work("b", [piece("x", 500)])], shop({ holds: [theirs] }));
    expect(full.lostHolds).toBeUndefined();
    const late = lay([work("a", [piece("x", 30)], { promisedAt: `${TUESDAY}T08:10:00.000Z` })]);
    expect(late.ready[0]?.late?.minutes).toBe(20);
  });

  it("has no lift to wait for in a shop without, and one less while one is out", () => {
    const up = (id: string) => work(id, [piece("strip", 120, { isRaised: true })]);
    const none = lay([up("a"), up("b")], shop({ hours: { ...USUAL_HOURS, lifts: 0 } }));
    expect(none.slips.map(({ from, lift }) => [clock(from), lift])).toEqual([
      ["08:00", undefined],
      ["08:00", undefined],
    ]);
    const two = lay([up("a"), up("b")]);
    expect(two.slips.map(({ from }) => clock(from))).toEqual(["08:00", "08:00"]);
    const out = { lift: 2, from: `${TUESDAY}T07:00:00.000Z`, until: `${TUESDAY}T18:00:00.000Z` };
    const one = lay([up("a"), up("b")], shop({ away: [out] }));
    expect(one.slips.map(({ from, lift }) => [clock(from), lift])).toEqual([
      ["08:00", 1],
      ["10:00", 1],
    ]);
    // What is left keeps its own name, and a shop whose every lift is out has none to lay a car on.
    const other = lay([up("a")], shop({ away: [{ ...out, lift: 1 }] }));
    expect(other.slips[0]?.lift).toBe(2);
    const all = lay([up("a")], shop({ away: [out, { ...out, lift: 1 }] }));
    expect(all.slips).toEqual([]);
    expect(all.notToday[0]?.because).toMatch(/lift/);
  });

  it("lays what presses of more cars than a day is for, and says so of the others", () => {
    const many = Array.from({ length: 120 }, (_, job) =>
      work(
        `j${job}`,
        [1, 2, 3, 4].map((id) => piece(`${id}`, 10)),
      ),
    );
    const urgent = { ...work("urgent", [piece("x", 10)]), promisedAt: `${TUESDAY}T09:00:00.000Z` };
    const { given, beyond } = theDay([...many, urgent], shop());
    expect(beyond.has("urgent")).toBe(false);
    expect(beyond.size).toBeGreaterThan(15);
    expect(given.jobs.length + beyond.size).toBe(121);
  });

  it("leaves a car on the lift that it stands on, and nobody else on that one", () => {
    const up = (id: string, lift?: number) =>
      work(
        id,
        [piece("strip", 60, { isRaised: true }), piece("on", 60, { isRaised: true, after: ["strip"] })],
        {
          ...(lift && { lift }),
        },
      );
    const laid = lay([up("a"), up("b", 1)], shop({ hours: { ...USUAL_HOURS, lifts: 1 } }));
    const of = (jobId: string) =>
      laid.slips.filter((each) => each.jobId === jobId).map(({ from }) => clock(from));
    expect(of("b")).toEqual(["08:00", "09:00"]);
    expect(of("a")).toEqual(["10:00", "11:00"]);
  });
});
