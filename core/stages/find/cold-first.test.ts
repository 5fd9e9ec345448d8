import { describe, expect, it } from "vitest";
import { answeredTest, saidTrouble, sawGauge } from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { EntryDraft } from "../../book/entry/index.ts";
import { CIRCUIT_KINDS, type CircuitKind, testOf } from "../../trade/diagnosis/knowledge/index.ts";
import { NOTHING_WRONG } from "../../trade/diagnosis/model/index.ts";
import { findState } from "./find-state.ts";
import { overnightOffer } from "./overnight.ts";
import { verdictOffer } from "./verdict-offer.ts";

const BEGAN_MS = Date.parse("2031-03-04T08:00:00.000Z");
const TEN_IN_THE_MORNING = 10;
const MOST_TESTS = 30;
/** A gauge that reads high on a sound car: the one complaint that most often has nothing behind it. */
const COMPLAINT = [saidTrouble(["gauge-high"]), sawGauge("three-quarters")];

/** Every test in the order in which it is offered, each answered as a sound car answers it most often. */
function soundCar(kind: CircuitKind) {
  const drafts: EntryDraft[] = [...COMPLAINT];
  const path: { id: string; night: boolean }[] = [];
  for (;;) {
    const entries = book(
      drafts.map((draft, at) => ({ ...draft, at: new Date(BEGAN_MS + at * 1000).toISOString() })),
    );
    const state = findState(entries, kind, {
      fanOnC: [98],
      now: new Date(BEGAN_MS + path.length * 900_000).toISOString(),
    });
    const offer = verdictOffer(state);
    const test = state.actions.find((action) => action.kind === "test");
    if (offer || !test || path.length > MOST_TESTS) return { path, offer };
    const outcomes = state.model.tests.find(({ id }) => id === test.id)?.outcomes ?? [];
    const [sound] = [...outcomes].sort(
      (a, b) => (b.given[NOTHING_WRONG] ?? 0) - (a.given[NOTHING_WRONG] ?? 0),
    );
    path.push({ id: test.id, night: test.first === "cool" });
    drafts.push({
      ...answeredTest({ test: test.id, outcome: sound?.id ?? "", circuit: kind }),
      stage: "find",
    });
  }
}

describe("a sound car whose gauge reads high", () => {
  it.each(CIRCUIT_KINDS)(
    "%s: is found sound in one day, what only shows cold asked before the heat",
    (kind) => {
      const { path, offer } = soundCar(kind);
      expect(offer?.hypothesis).toBe(NOTHING_WRONG);
      expect(offer?.share).toBeGreaterThan(0.92);
      expect(path.filter(({ night, id }) => night && testOf(id).engine === "cold")).toEqual([]);
      const order = path.map(({ id }) => id);
      const heated = order.findIndex((id) => testOf(id).engine === "hot" || testOf(id).engine === "heats");
      expect(order.indexOf("strength")).toBeGreaterThanOrEqual(0);
      expect(order.indexOf("strength")).toBeLessThan(heated);
      expect(path.length).toBeLessThan(20);
    },
  );

  it("warmed up before anything was asked cold, it says that today nothing makes it surer, and offers the night", () => {
    const sound: [string, string][] = [
      ["look", "dry"],
      ["level", "line"],
      ["command", "runs"],
      ["warm-up", "as-card"],
      ["thermostat-watch", "opens"],
      ["gauge", "agree"],
      ["heater", "hot"],
      ["core-hot", "even"],
      ["fins", "clear"],
      ["motor-draw", "within"],
      ["paper", "through"],
      ["hose-revs", "round"],
      ["belt", "tight"],
      ["plugs", "clean"],
      ["live-hot", "agree"],
      ["gas-test", "none"],
    ];
    const drafts = sound.map(([test, outcome]) => ({
      ...answeredTest({ test, outcome, circuit: "ecu-relay" }),
      stage: "find" as const,
    }));
    const at = new Date(BEGAN_MS).toISOString();
    const state = findState(book([...COMPLAINT, ...drafts].map((draft) => ({ ...draft, at }))), "ecu-relay", {
      fanOnC: [98],
      now: at,
    });
    const offer = verdictOffer(state);
    expect(offer).toMatchObject({ hypothesis: NOTHING_WRONG, kind: "trial" });
    expect(offer?.because).toMatch(/cold, after a night, .*(?:strength|Live values).* would: to 9\d %/);
    const night = overnightOffer(state, TEN_IN_THE_MORNING);
    expect(testOf(night?.test ?? "").engine).toBe("cold");
    expect(night?.sure).toBeGreaterThan(offer?.share ?? 1);
  });
});
