import { describe, expect, it } from "vitest";
import { answeredTest, needsNoParts, sawLevel, waits } from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry, EntryDraft } from "../../book/entry/index.ts";
import { seededRandom } from "../../kernel/chance/index.ts";
import { samples } from "../../samples.fixture.ts";
import { anyBook } from "../../state/any-book.fixture.ts";
import { dutiesOf, jobState, notTogether, notToRun, provenCar } from "../../state/index.ts";
import { isShut } from "../../trade/bleed/index.ts";
import type { Next } from "./act.ts";
import { CARD, follow } from "./follow.fixture.ts";
import { nextOf } from "./next-of.ts";
import { goalFor } from "./plan-acts.ts";

/** Thousands of them are followed by `npm run bench -- next`. */
const BOOKS = samples(4, 10);
const LINES = 25;
const tail = (history: readonly string[]) => `\n${history.slice(-14).join("\n")}`;

/** What must hold of whatever is offered, at every moment. */
function isSound({ now: acts, waiting }: Next, entries: readonly Entry[], now: string): void {
  const { cap } = jobState(entries, CARD, now).engine;
  for (const { id, needs, what, why, choices, field } of acts) {
    if (needs.engine === "opened") expect(isShut(cap), id).toBe(false);
    if (needs.engine === "running") expect(notToRun(entries), id).toBeUndefined();
    if (needs.isTogether) expect(notTogether(entries), id).toBeUndefined();
    expect(what.length * why.length, id).toBeGreaterThan(0);
    expect(`${what} ${why}`).not.toMatch(/undefined|NaN|\[object/);
    expect(new Set(choices.map((choice) => choice.id)).size).toBe(choices.length);
    if (choices.some(({ wants }) => wants)) expect(field, id).toBeDefined();
  }
  expect(new Set(acts.map(({ id }) => id)).size, acts.map(({ id }) => id).join()).toBe(acts.length);
  if (acts.length === 0) expect(waiting.length).toBeGreaterThan(0);
}

describe("what there is to do next", () => {
  it("followed from wherever hands have come ends in a signature, books nothing that is refused, opens and runs nothing it may not", () => {
    const random = seededRandom(2211);
    for (let each = 0; each < BOOKS; each++) {
      const start = anyBook(Math.floor(random() * LINES), random);
      const { entries, history, last, refused } = follow(start, random, CARD, isSound);
      expect(refused, tail(history)).toEqual([]);
      expect(
        last.now.map(({ id }) => id),
        tail(history),
      ).toEqual(["sign"]);
      expect(dutiesOf(entries, provenCar({ fanOnC: CARD.fanOnC, capGaugeKpa: 110 }))).toEqual([]);
    }
  });

  it("is nothing once it is signed", () => {
    const signed = book([{ kind: "decision", data: { fact: "signature", v: 2, open: [] } }]);
    const now = "2031-03-05T08:00:00.000Z";
    expect(nextOf(jobState(signed, CARD, now), CARD, now)).toMatchObject({ now: [], waiting: [] });
  });
});

describe("the order of reasons", () => {
  const AT = "2031-03-05T07:10:00.000Z";
  const at = (drafts: (EntryDraft & Partial<Entry>)[], now = AT) => {
    const entries = book(drafts as Partial<Entry>[]);
    return nextOf(jobState(entries, CARD, now), CARD, now);
  };
  const poured: EntryDraft = { kind: "movement", account: "coolant", item: "poured", in: 0.5, unit: "L" };
  const missing: EntryDraft = { kind: "movement", account: "coolant", item: "missing", out: 0.5, unit: "L" };
  const chosen = (item: string): EntryDraft => ({
    kind: "decision",
    item,
    data: { fact: "chosen-part", v: 1, grade: "pattern", supplier: "Tansy & Rudge" },
  });

  const soft = {
    kind: "reading",
    item: "upper hose",
    at: "2031-03-05T07:05:00.000Z",
    data: { fact: "hose-felt", v: 1, upper: "soft-and-cool" },
  } as EntryDraft;

  it("puts what a night was waited for first, once it is over, and keeps it away till then", () => {
    const night = [missing, poured, waits("night", "cold level in the morning", "2031-03-05T07:00:00.000Z")];
    const morning = at([...night, soft]);
    expect(morning.now[0]).toMatchObject({ id: "prove:cold", dueSince: "2031-03-05T07:00:00.000Z" });
    const evening = at(night, "2031-03-04T21:00:00.000Z");
    expect(evening.now.map(({ id }) => id)).not.toContain("prove:cold");
    expect(evening.waiting[0]).toMatchObject({ for: "night", words: "cold level in the morning" });
  });

  it("begins with what the owner says, and doesn't stop hands that are at the car for it", () => {
    expect(at([{ kind: "note", text: "came in" }]).now[0]?.id).toBe("ask:complaint");
    const begun = at([chosen("radiator")]);
    expect(begun.now[0]?.id).toMatch(/^plan:box:/);
  });

  it("sends nobody to run an engine that is low, and tops it up before all else", () => {
    const low = { ...sawLevel("low", "cold"), at: "2031-03-05T07:00:00.000Z" } as EntryDraft;
    const shut = at([missing, poured, low]);
    expect(shut.then.map(({ id }) => id)).toContain("fill:low");
    const open = at([missing, poured, low, soft]);
    expect(open.now[0]?.id).toBe("fill:low");
    for (const { now } of [shut, open])
      expect(now.filter(({ needs }) => needs.engine === "running")).toEqual([]);
  });

  it("knows a level that a test found low, and pours no litres that nobody measured", () => {
    const low = {
      ...answeredTest({ test: "level", outcome: "low" }),
      at: "2031-03-05T07:00:00.000Z",
    } as EntryDraft;
    expect(at([low, soft]).now[0]?.id).toBe("fill:low");
    const drained: EntryDraft = { kind: "movement", account: "coolant", item: "drained", out: 4, unit: "L" };
    const pour = at([
      chosen("hose"),
      { kind: "decision", corrects: "e1" },
      drained,
      soft,
      needsNoParts(),
    ]).now.find(({ id }) => id === "fill:pour");
    expect(pour?.field).not.toHaveProperty("known");
  });

  it("lets whoever sees that a wait without an end is over say so, once nothing else can be done", () => {
    const start = book([chosen("fan relay"), waits("parts", "relay, some day")] as Partial<Entry>[]);
    const { history, last } = follow(start, seededRandom(3));
    expect(history.some((line) => line.startsWith("wait:parts"))).toBe(true);
    expect(last.now.map(({ id }) => id)).toEqual(["sign"]);
  });

  it("waits for a part that is on its way, and opens no car before it is here", () => {
    const away = at([chosen("radiator"), waits("parts", "radiator on Thursday", "2031-03-06T08:00:00.000Z")]);
    expect(away.now.filter(({ id }) => /^plan:box|^strip/.test(id))).toEqual([]);
    expect(away.waiting[0]).toMatchObject({ for: "parts", until: "2031-03-06T08:00:00.000Z" });
    expect(
      at([chosen("radiator"), waits("parts", "radiator", "2031-03-05T07:00:00.000Z")]).now[0],
    ).toMatchObject({
      id: expect.stringMatching(/^plan:box/),
      dueSince: "2031-03-05T07:00:00.000Z",
    });
  });
});

describe("what has to come out for a part", () => {
  it.each([
    ["fan motor", "fan only"],
    ["left fan assembly", "fan only"],
    ["radiator", "radiator"],
    ["oil cooler", "radiator"],
    ["thermal switch", "switch only"],
    ["coolant sensor", "switch only"],
    ["switch plug", undefined],
    ["fan relay", undefined],
    ["fuse", undefined],
    ["thermostat", undefined],
    ["upper hose", undefined],
  ])("%s: %s", (item, goal) => expect(goalFor(item)).toBe(goal));
});
