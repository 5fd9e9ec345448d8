import { describe, expect, it } from "vitest";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { REPAIRS } from "../../trade/diagnosis/knowledge/index.ts";
import { test } from "./find.fixture.ts";
import { findState } from "./find-state.ts";
import { inHand } from "./offered.ts";

describe("what Find offers, with the engine's state", () => {
  const at = "2026-05-04T08:00:00.000Z";
  const later = (hours: number) => new Date(Date.parse(at) + hours * 3_600_000).toISOString();
  const tests = (entries: Partial<Entry>[], context = {}) =>
    findState(book(entries.map((entry) => ({ at, ...entry }))), "switch-2", { now: later(0.2), ...context })
      .actions.filter(({ kind }) => kind === "test")
      .map(({ id }) => id);

  it("looks and listens first, and runs no engine before level and look", () => {
    const first = tests([]);
    expect(first[0]).toBe("look");
    for (const hot of ["warm-up", "heater", "switch-hot", "core-hot", "gas-test"])
      expect(first).not.toContain(hot);
    expect(tests([test("look", "dry"), test("level", "line")])).toContain("warm-up");
  });

  it("asks a dead fan not which way it blows, and a running one it may", () => {
    expect(tests([test("look", "dry")])).not.toContain("paper");
    expect(tests([test("look", "dry"), test("ac-on", "runs")])).toContain("paper");
  });

  it("offers the air conditioning not where the bridged plug has proven all that it would", () => {
    const proven = tests([
      test("look", "dry"),
      test("jumper-low", "runs"),
      test("jumper-high", "runs"),
      test("fuses", "sound"),
    ]);
    expect(proven).not.toContain("ac-on");
  });

  it("looks into the plug that is in the hand already", () => {
    const state = findState(book([test("look", "dry"), test("jumper-low", "stands")]), "switch-2");
    expect(state.actions.some(({ id }) => id === "plugs")).toBe(true);
    expect(inHand(state.evidence)).toEqual({ plugs: 1 });
  });

  it("knows hot from cold: cold tests wait after a hot one, and are free again once it has cooled", () => {
    const hot = [test("look", "dry"), test("level", "line"), test("warm-up", "no-fan")];
    const state = (hours: number) =>
      findState(book(hot.map((entry) => ({ ...entry, at }))), "ecu-relay", { now: later(hours) });
    expect(state(0.1).question.heat).toBe("warming warm-up");
    expect(state(0.1).actions.find(({ id }) => id === "live-cold")?.first).toBe("cool");
    expect(state(0.1).actions.find(({ id }) => id === "thermostat-watch")?.isAlong).toBe(true);
    expect(state(20).question.heat).toBe("cold");
    expect(state(20).actions.find(({ id }) => id === "live-cold")?.first).toBeUndefined();
  });

  it("lets a reason teach for as long as it holds", () => {
    const cannot = (why: string): Partial<Entry> => ({
      stage: "find",
      kind: "decision",
      item: "Fuses",
      text: "can't be done here",
      data: { fact: "cannot-test", v: 1, test: "fuses", why },
    });
    const isOut = (why: string, hours: number) =>
      !tests([test("look", "dry"), cannot(why)], { now: later(hours) }).includes("fuses");
    expect([
      isOut("tool", 30),
      isOut("time", 2),
      isOut("time", 16),
      isOut("hot", 1),
      isOut("hot", 6),
      isOut("car", 90),
    ]).toEqual([true, true, false, true, false, true]);
    expect(tests([test("look", "dry")], { notOnThisCar: ["fuses"] })).not.toContain("fuses");
  });

  it("rules out what a repair tried in vain would have mended", () => {
    const tried: Partial<Entry> = {
      stage: "find",
      kind: "decision",
      item: "New thermal switch",
      text: "tried, the trouble stayed",
      data: { fact: "tried-repair", v: 1, repair: "switch" },
    };
    const state = findState(
      book([test("fuses", "sound"), test("jumper", "runs"), test("warm-up", "no-fan"), tried]),
      "switch-1",
    );
    expect(state.suspects.find(({ id }) => id === "switch-open")?.share).toBe(0);
    expect(state.suspects.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1);
    expect(state.actions.some(({ kind, id }) => kind === "repair" && id === "switch")).toBe(false);
    expect(state.tried).toMatchObject([{ repair: "switch", name: "New thermal switch" }]);
  });

  it("sells nobody a radiator after the red before gas and pressure were tested", () => {
    const red: Partial<Entry> = {
      stage: "ask",
      kind: "reading",
      item: "gauge",
      text: "in the red",
      data: { fact: "gauge", v: 1 },
    };
    const blocked = [
      red,
      test("look", "dry"),
      test("level", "line"),
      test("core-hot", "stripes"),
      test("flow-revs", "climbs"),
    ];
    const offers = (more: Partial<Entry>[]) =>
      findState(book([...blocked, ...more]), "ecu-relay").actions.map(({ id }) => id);
    expect(offers([])).not.toContain("core");
    expect(offers([])).toContain("gas-test");
    expect(offers([test("gas-test", "none"), test("pressure-test", "holds")])).toContain("core");
  });

  it("stands where a result of another circuit is in the book: one fan of two ran, and there is but one", () => {
    const odd = book([test("look", "dry"), test("ac-on", "one"), test("belt", "plays")]);
    expect(findState(odd, "switch-1").evidence.map(({ test: id }) => id)).toEqual(["look", "belt"]);
    expect(findState(odd, "switch-relays").evidence.map(({ test: id }) => id)).toEqual([
      "look",
      "ac-on",
      "belt",
    ]);
  });

  it("takes a bad ground for no running fan", () => {
    expect(tests([test("look", "dry"), test("ground-drop", "high")])).not.toContain("paper");
  });

  it("runs no engine that is low before it was looked over and pressed, and says to top it up", () => {
    const low = [test("look", "dry"), test("level", "low")];
    expect(tests(low)).not.toContain("warm-up");
    expect(tests([...low, test("pressure-test", "holds")])).toContain("warm-up");
    expect(findState(book(low), "switch-2").isLow).toBe(true);
    const noTester: Partial<Entry> = {
      stage: "find",
      kind: "decision",
      item: "Pressure test",
      text: "no tool",
      data: { fact: "cannot-test", v: 1, test: "pressure-test", why: "tool" },
    };
    expect(tests([...low, noTester])).toContain("warm-up");
  });

  it("has something to say when every repair was tried in vain", () => {
    const all = REPAIRS.map(
      ({ id, name }): Partial<Entry> => ({
        stage: "find",
        kind: "decision",
        item: name,
        text: "tried, the trouble stayed",
        data: { fact: "tried-repair", v: 1, repair: id },
      }),
    );
    for (const count of [1, 12, all.length - 1, all.length]) {
      const state = findState(book(all.slice(0, count)), "ecu-relay");
      expect(state.suspects.every(({ share }) => Number.isFinite(share))).toBe(true);
    }
    expect(findState(book(all), "ecu-relay").actions).toEqual([]);
  });
});
