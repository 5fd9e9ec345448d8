import { describe, expect, it } from "vitest";
import { heardFan, readCoolant, readRoom } from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { UNSURE } from "../../trade/diagnosis/knowledge/index.ts";
import { circuitOf } from "./belief.ts";
import { customerText } from "./customer-text.ts";
import { test } from "./find.fixture.ts";
import { findState } from "./find-state.ts";
import { resultsOf } from "./results.ts";
import { verdictOffer } from "./verdict-offer.ts";

const trouble = (...chips: string[]): Partial<Entry> => ({
  stage: "ask",
  kind: "reading",
  item: "trouble",
  data: { chips },
});
const log = (checks: Record<string, { verdict: string; because: string }>): Partial<Entry> => ({
  stage: "prove",
  kind: "reading",
  item: "warm-up log",
  data: { logId: "l", log: "as it came.csv", checks },
});
const SOUND = {
  fanOn: { verdict: "pass", because: "The fan started at 98 °C; the card says 98 °C." },
  peak: { verdict: "pass", because: "The hottest was 98 °C." },
  thermostat: { verdict: "pass", because: "The climb bends at 88 °C; the card says 87 °C." },
};

describe("resultsOf", () => {
  it("keeps the latest of one test, drops what was taken back and what was corrected", () => {
    const entries = book([
      test("fuses", "sound"),
      test("plugs", "clean"),
      test("fuses", "blown", { corrects: "e1" }),
      { kind: "test", corrects: "e2" },
    ]);
    expect(resultsOf(entries).map(({ test: id, outcome }) => [id, outcome])).toEqual([["fuses", "blown"]]);
  });

  it("reads a log booked before anything was off as evidence, and one after it as proof of the repair", () => {
    const bolt: Partial<Entry> = {
      stage: "strip",
      account: "fastener",
      item: "M6×20",
      place: "bag 1",
      out: 1,
    };
    const before = resultsOf(book([log(SOUND), bolt]));
    expect(before.map(({ test: id, outcome, from }) => [id, outcome, from])).toEqual([
      ["warm-up", "as-card", "log"],
      ["thermostat-watch", "opens", "log"],
    ]);
    expect(resultsOf(book([bolt, log(SOUND)]))).toEqual([]);
  });

  it("tells a dead fan from one that starts elsewhere by the log's own reason", () => {
    const because = (text: string) =>
      resultsOf(book([log({ fanOn: { verdict: "fail", because: text } })]))[0]?.outcome;
    expect(because("It reached 109 °C and the fan did not start; the card says 98 °C.")).toBe("no-fan");
    expect(because("The fan started at 106 °C; the card says 98 °C.")).toBe("elsewhere");
  });

  it("takes a reading past the start with no fan heard for a dead fan, and never over a person's own result", () => {
    const reading: Partial<Entry> = {
      stage: "find",
      kind: "reading",
      item: "coolant sensor",
      value: 103,
      unit: "°C",
      data: { fan: "none" },
    };
    expect(resultsOf(book([reading]), { fanOnC: [98] })[0]).toMatchObject({
      test: "warm-up",
      outcome: "no-fan",
      from: "reading",
    });
    expect(resultsOf(book([reading]), { fanOnC: [101] })).toEqual([]);
    const radiator = { fanOnC: [88], fanSenses: "radiator" as const };
    expect(resultsOf(book([reading]), radiator)).toEqual([]);
    const there = (place: "radiator" | "surface" | "hose") =>
      resultsOf(book([heardFan(readCoolant(96, place), "none")]), radiator);
    expect(there("radiator")[0]).toMatchObject({ outcome: "no-fan" });
    expect(there("surface")).toEqual([]);
    expect(there("hose")).toEqual([]);
    expect(resultsOf(book([heardFan(readRoom(60), "none")]), { fanOnC: [40] })).toEqual([]);
    // Past the usual lag of a radiator's cooled end the log's reader says "not seen" still: so does this.
    expect(resultsOf(book([{ ...reading, value: 108 }]), radiator)).toEqual([]);
    expect(resultsOf(book([{ ...reading, value: 119 }]), radiator)[0]?.outcome).toBe("no-fan");
    expect(resultsOf(book([test("warm-up", "as-card"), reading]), { fanOnC: [98] })[0]?.outcome).toBe(
      "as-card",
    );
  });
});

describe("findState", () => {
  it("takes the circuit from the job's own answer before the card's", () => {
    const settled: Partial<Entry> = { kind: "decision", data: { circuit: "ecu-relay" } };
    expect(circuitOf(book([settled]), "switch-1")).toBe("ecu-relay");
    expect(circuitOf([], "switch-1")).toBe("switch-1");
    expect(circuitOf([], null)).toBeUndefined();
  });

  it("starts from what Ask heard and the shop's history", () => {
    const plain = findState([], "switch-1");
    const heard = findState(book([trouble("fan never runs")]), "switch-1");
    const learnt = findState([], "switch-1", { history: Array(12).fill("motor") });
    const shareOf = (state: typeof plain, id: string) =>
      state.suspects.find((suspect) => suspect.id === id)?.share ?? 0;
    expect(shareOf(heard, "motor")).toBeGreaterThan(shareOf(plain, "motor"));
    expect(shareOf(learnt, "motor")).toBeGreaterThan(shareOf(plain, "motor"));
    expect(learnt.suspects.find(({ id }) => id === "motor")?.inShop).toEqual({ count: 12, of: 12 });
  });

  it("weighs what the last job's book says, and not the owner's word of it once more", () => {
    const airOf = (state: ReturnType<typeof findState>) =>
      state.suspects.find(({ id }) => id === "air-lock")?.share ?? 0;
    const told = book([
      { stage: "ask", kind: "reading", item: "happens", data: { chips: ["after recent work"] } },
    ]);
    const comeback = [{ times: 4, faults: ["air-lock"], reason: "it was filled" }];
    const known = findState([], "switch-1", { comeback });
    expect(airOf(known)).toBeGreaterThan(airOf(findState([], "switch-1")) * 2);
    expect(airOf(findState(told, "switch-1", { comeback }))).toBeCloseTo(airOf(known), 12);
  });

  it("leaves a result out that the knowledge has no longer, instead of breaking", () => {
    const state = findState(
      book([test("fuses", "melted"), test("x-ray", "pass"), test("jumper", "runs")]),
      "switch-1",
    );
    expect(state.evidence).toEqual([{ test: "jumper", outcome: "runs" }]);
  });

  it("shows what the last result changed", () => {
    const state = findState(book([test("jumper", "stands")]), "switch-1");
    const motor = state.suspects.find(({ id }) => id === "motor");
    expect(motor?.share).toBeGreaterThan(motor?.before ?? 1);
  });

  it("counts a test not sure as no evidence, and offers neither it nor what can't be done here", () => {
    const cannot: Partial<Entry> = {
      stage: "find",
      kind: "decision",
      item: "x",
      data: { cannot: "warm-up" },
    };
    const state = findState(book([test("jumper", UNSURE), cannot]), "switch-1");
    expect(state.evidence).toEqual([]);
    expect(state.actions.map(({ id }) => id)).not.toContain("jumper");
    expect(state.actions.map(({ id }) => id)).not.toContain("warm-up");
    expect(state.suspects.every(({ share, before }) => share === before)).toBe(true);
  });
});

describe("verdictOffer", () => {
  const dead = [
    trouble("fan never runs"),
    test("fuses", "sound"),
    test("jumper", "runs"),
    test("plugs", "clean"),
    test("switch-hot", "open"),
    test("stamp", "matches"),
    test("fan-cold", "still"),
  ];

  it("is none while a test is better, and the switch once only it is left", () => {
    expect(verdictOffer(findState(book(dead.slice(0, 2)), "switch-1"))).toBeUndefined();
    const offer = verdictOffer(
      findState(book([...dead, test("warm-up", "no-fan"), test("switch-pot", "never")]), "switch-1"),
    );
    expect(offer).toMatchObject({ hypothesis: "switch-open", kind: "proven", repair: { id: "switch" } });
    expect(offer?.because).toMatch(/^Enough is known\. (No test is left here.+|.+ more than it saves\.)$/);
  });

  it("is not given while results contradict each other", () => {
    const torn = book([
      test("fuses", "blown"),
      test("jumper", "runs"),
      test("ac-on", "runs"),
      test("feed-drop", "low"),
    ]);
    const state = findState(torn, "switch-1");
    expect(state.conflict?.oddOneOut.test).toBe("fuses");
    expect(verdictOffer(state)).toBeUndefined();
  });
});

describe("customerText", () => {
  it("says what the card wants, what the log showed and when to come back", () => {
    const entries = book([trouble("gauge reads high"), log(SOUND)]);
    const card = { thermostatOpensC: 87, fanOnC: [98], fanOffC: [92] };
    const text = customerText(findState(entries, "switch-1"), entries, card, "metric");
    expect(text).toMatch(/found none/);
    expect(text).toMatch(/meant to start at 98/);
    expect(text).toMatch(/The fan started at 98 °C/);
    expect(text).toMatch(/Come back if/);
  });
});
