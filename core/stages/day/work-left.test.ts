import { describe, expect, it } from "vitest";
import {
  beganStep,
  chosePart,
  decided,
  promisedReady,
  stepDoneDrafts,
  tookOrder,
  waits,
} from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry, EntryDraft } from "../../book/entry/index.ts";
import { seededRandom } from "../../kernel/chance/index.ts";
import { samples } from "../../samples.fixture.ts";
import { anyBook } from "../../state/any-book.fixture.ts";
import { jobState } from "../../state/index.ts";
import { methodsFor } from "../../trade/bleed/index.ts";
import { stepsFor } from "../../trade/order/index.ts";
import { CARD, follow } from "../next/follow.fixture.ts";
import type { Piece } from "./index.ts";
import { workLeft } from "./index.ts";

const BOOKS = samples(15, 60);
const LINES = 30;
const EARLIEST = Date.UTC(2031, 2, 4, 8);

const left = (drafts: (EntryDraft & Partial<Entry>)[], minutesOn = 60) => {
  const now = new Date(EARLIEST + (drafts.length + minutesOn) * 60_000).toISOString();
  const entries = book(drafts as Partial<Entry>[]);
  return workLeft(jobState(entries, CARD, now), CARD, now);
};
const ids = (pieces: readonly Piece[]) => pieces.map(({ id }) => id);
const minutes = (pieces: readonly Piece[]) => pieces.reduce((sum, each) => sum + each.minutes, 0);
const FOUND = { ...decided("leak-radiator", "leaks at the seam"), stage: "find" as const };
const RADIATOR = {
  ...chosePart({ item: "radiator", grade: "pattern", supplier: "Tansy & Rudge" }),
  stage: "plan" as const,
};
const STEPS = stepsFor("radiator", ["undertray", "bumper in the way"]);
const ORDER = {
  ...tookOrder("radiator", ["undertray", "bumper in the way"], STEPS, "2 h"),
  stage: "plan" as const,
};

/** What must hold of the work left on any book. */
function isSound(pieces: readonly Piece[]): void {
  expect(new Set(ids(pieces)).size, ids(pieces).join()).toBe(pieces.length);
  for (const [index, { id, minutes: long, after, what, rest }] of pieces.entries()) {
    expect(Number.isInteger(long) && long >= 1 && long <= 24 * 60, `${id} ${long}`).toBe(true);
    const before = new Set(ids(pieces.slice(0, index)));
    for (const each of after) expect(before.has(each), `${id} after ${each}`).toBe(true);
    expect(what).not.toMatch(/undefined|NaN|\[object/);
    expect(what.length, id).toBeGreaterThan(3);
    if (rest) expect(Number.isInteger(rest.minutes)).toBe(true);
  }
}

describe("the work that is left on a job", () => {
  it("hangs together on any book, and is none once hands have followed it to its signature", () => {
    const random = seededRandom(230);
    for (let each = 0; each < BOOKS; each++) {
      const entries = anyBook(Math.floor(random() * LINES), random);
      const now = new Date(EARLIEST + random() * 40 * 3_600_000).toISOString();
      const pieces = workLeft(jobState(entries, CARD, now), random() < 0.2 ? null : CARD, now);
      isSound(pieces);
      expect(ids(pieces).includes("sign")).toBe(!pieces.some(({ isOpenEnded }) => isOpenEnded));
    }
  });

  it("is only the signature where whoever follows what is next has come to it", () => {
    const random = seededRandom(231);
    for (let each = 0; each < 4; each++) {
      const { entries, last } = follow(anyBook(Math.floor(random() * LINES), random), random);
      expect(last.now[0]?.id).toBe("sign");
      const now = new Date(Date.parse(entries.at(-1)?.at ?? "") + 12 * 3_600_000).toISOString();
      expect(ids(workLeft(jobState(entries, CARD, now), CARD, now))).toEqual(["sign"]);
    }
  });

  it("begins at the owner's words, and grows once it is known what goes in", () => {
    expect(ids(left([]))).toEqual(["ask", "find"]);
    expect(ids(left([FOUND]))).toEqual(["plan:choose", "sign"]);
    const whole = left([FOUND, RADIATOR]);
    expect(ids(whole)).toContain("plan:box");
    for (const stage of ["strip", "build", "fill", "prove", "sign"])
      expect(
        whole.some((piece) => piece.stage === stage),
        stage,
      ).toBe(true);
    // What comes off goes back on: a radiator isn't half an hour's work.
    expect(minutes(whole)).toBeGreaterThan(180);
  });

  it("lets it drain beside other work, and holds up what is opened by it", () => {
    const pieces = left([FOUND, RADIATOR, ORDER]);
    const drain = pieces.find(({ id }) => id === "strip:drain");
    expect(drain?.rest?.minutes).toBe(15);
    const behind = pieces.filter(({ after }) => after.includes("strip:drain"));
    expect(behind.length).toBeGreaterThan(0);
    expect(behind.every(({ what }) => /hoses|radiator/i.test(what))).toBe(true);
    expect(pieces.some(({ stage, after }) => stage === "strip" && !after.includes("strip:drain"))).toBe(true);
  });

  it("keeps a piece's id while its steps are done one by one, and its minutes shrink", () => {
    let entries: EntryDraft[] = [FOUND, RADIATOR, ORDER];
    const before = left(entries);
    const first = before.find(
      ({ id, people }) => id.startsWith("strip:") && people === 1 && !/drain|battery/.test(id),
    );
    const [cold, stands] = [STEPS.find(({ id }) => id === "cold"), STEPS.find(({ id }) => id === "stands")];
    if (!cold || !stands || !first) throw new Error("the order has them");
    entries = [...entries, ...[cold, stands].flatMap((step) => stepDoneDrafts(step, []))];
    const after = left(entries);
    expect(minutes(after)).toBeLessThan(minutes(before));
    expect(ids(after).every((id) => ids(before).includes(id))).toBe(true);
  });

  it("takes nothing apart again whose part is in, however that was written", () => {
    const part = { account: "part", item: "radiator" } as const;
    const moved = [
      { ...part, kind: "movement", out: 1, stage: "strip" },
      { ...part, kind: "movement", in: 1, stage: "build" },
    ] as const;
    for (const order of [[], [ORDER]])
      expect(left([FOUND, RADIATOR, ...order, ...moved]).filter(({ stage }) => stage === "strip")).toEqual(
        [],
      );
  });

  it("waits for a part until it comes, and is held where nobody wrote when", () => {
    const at = "2031-03-04T13:00:00.000Z";
    const awaited = left([FOUND, RADIATOR, { ...waits("parts", "on the late van", at), stage: "plan" }]);
    expect(awaited.find(({ id }) => id === "plan:box")?.notBefore).toEqual({ at, words: "on the late van" });
    const untold = left([FOUND, RADIATOR, { ...waits("parts", "on a van"), stage: "plan" }]);
    expect(untold.find(({ id }) => id === "plan:box")?.isHeld).toMatch(/on a van/);
  });

  it("knows the clock of a run that is in hand, and who is at it", () => {
    const [method] = methodsFor({ fillPoint: "expansion tank", bleedPoints: "none" });
    const run =
      method?.steps.findIndex(({ kind, minutes: long }) => kind === "run" && long !== undefined) ?? -1;
    if (!method || run < 0) throw new Error("a school runs the engine");
    const pieces = left([{ ...beganStep(method, run), stage: "fill", by: "ilse" }], 2);
    const inHand = pieces.find(({ since }) => since);
    expect(inHand).toMatchObject({ isHot: true, by: "ilse" });
    // It runs already, whatever else the book still asks for.
    expect(inHand?.after).toEqual([]);
    const whole = method.steps
      .filter(({ kind }) => kind === "run")
      .reduce((sum, each) => sum + (each.minutes ?? 0), 0);
    expect(inHand?.minutes).toBeLessThan(whole);
    expect(inHand?.minutes).toBeGreaterThan(whole - 5);
    expect(pieces.some(({ rest }) => rest?.words.includes("cools"))).toBe(true);
  });

  it("is none once it is signed, and a promise to the owner adds none", () => {
    expect(left([{ kind: "decision", data: { fact: "signature", v: 2, open: [] } }])).toEqual([]);
    const told = { ...promisedReady("2031-03-04T16:00:00.000Z", "16:00"), stage: "ask" as const };
    expect(ids(left([told]))).toEqual(ids(left([])));
    // Whoever told the owner isn't at the car for that.
    expect(left([told], 1).some(({ by }) => by)).toBe(false);
  });
});
