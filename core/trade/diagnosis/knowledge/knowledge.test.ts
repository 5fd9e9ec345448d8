import { describe, expect, it } from "vitest";
import { nextActions, posterior, proven } from "../index.ts";
import { type Asked, weighAsked } from "./asked.ts";
import { handbookPriors, hypothesesOf, modelOf, testsOf } from "./build-model.ts";
import { checkKnowledge, notToldApart } from "./check-knowledge.ts";
import { CIRCUITS } from "./circuits.ts";
import { CAUTIONS } from "./hazards.ts";
import { HYPOTHESES } from "./hypotheses.ts";
import { type Circuit } from "./knowledge.ts";
import { USUAL_RATES } from "./rates.ts";
import { REPAIRS } from "./repairs.ts";
import { settleCircuit } from "./settle-circuit.ts";
import { TROUBLE_ROWS } from "./troubles.ts";

const circuits = Object.values(CIRCUITS).map((circuit) => [circuit.kind, circuit] as const);

/** Told apart by exclusion or not at all, and mended by one repair anyway. */
const NEED_EXCLUSION = ["relay-coil|relay-contacts"];

describe.each(circuits)("what is known of %s", (_, circuit) => {
  it("has no hole: rows add up, reasons stand, paths lead over its own components", () => {
    expect(checkKnowledge(circuit)).toEqual([]);
  });

  it("tells every fault from every other, or names the pair", () => {
    const pairs = notToldApart(circuit).map((pair) => pair.join("|"));
    expect(pairs.filter((pair) => !NEED_EXCLUSION.includes(pair))).toEqual([]);
  });

  it("cautions before each test that can hurt", () => {
    for (const test of testsOf(circuit)) {
      expect(test.hazards.every((hazard) => CAUTIONS[hazard].length > 20)).toBe(true);
      if (/jumper|bridge|directly|engine running|hot/i.test(`${test.name} ${test.needs.join(" ")}`))
        expect(test.hazards.length, test.id).toBeGreaterThan(0);
      expect(test.how.split(/[.:?] /).length, test.id).toBeGreaterThan(1);
    }
  });

  it("finds each of its faults when every test comes out as that fault most often makes it", () => {
    for (const fault of hypothesesOf(circuit)) {
      const model = modelOf(circuit);
      const evidence = model.tests.map((test) => ({
        test: test.id,
        outcome:
          [...test.outcomes].sort((a, b) => (b.given[fault.id] ?? 0) - (a.given[fault.id] ?? 0))[0]?.id ?? "",
      }));
      const belief = posterior(model, evidence);
      const repair = REPAIRS.find(({ fixes }) => fixes.includes(fault.id));
      const mended = repair?.fixes.reduce((sum, id) => sum + (belief[id] ?? 0), 0);
      expect(mended, fault.id).toBeGreaterThan(0.75);
    }
  });
});

describe("the knowledge as a whole", () => {
  it("covers every fault by a circuit and a repair, each weight with its reason", () => {
    const known = new Set(circuits.flatMap(([, circuit]) => hypothesesOf(circuit).map(({ id }) => id)));
    expect(HYPOTHESES.map(({ id }) => id).filter((id) => !known.has(id))).toEqual([]);
    expect(HYPOTHESES.length).toBeGreaterThan(40);
    expect(HYPOTHESES.every(({ reason, weight }) => reason.length > 5 && weight > 0)).toBe(true);
    for (const row of Object.values(TROUBLE_ROWS))
      expect(row.reduce((sum, figure) => sum + figure, 0)).toBeCloseTo(1, 9);
  });

  it("says which file has the hole where an outcome is missing or a circuit has no feed", () => {
    const circuit = structuredClone(CIRCUITS["switch-1"]) as Circuit;
    expect(checkKnowledge({ ...circuit, feeds: [] })).toEqual([
      expect.stringMatching(/nothing feeds the fan/),
    ]);
    const lost: Circuit = { ...circuit, tests: [...circuit.tests, { test: "jumper", path: ["flux"] }] };
    expect(checkKnowledge(lost).join()).toMatch(/“flux” is no component/);
  });
});

describe("what Ask hears", () => {
  const belief = (circuit: Circuit, ...asked: Parameters<typeof weighAsked>[1][]) =>
    posterior(
      modelOf(circuit, {
        weights: asked.reduce((priors, each) => weighAsked(priors, each), handbookPriors(circuit)),
      }),
      [],
    );

  it("turns hot standing still to the fan and hot on the road to flow", () => {
    const standing = belief(CIRCUITS["switch-1"], {
      troubles: ["hot-standing"],
      happens: ["standing"],
    });
    const road = belief(CIRCUITS["switch-1"], { troubles: ["hot-road"], happens: ["road", "uphill"] });
    expect(standing.motor ?? 0).toBeGreaterThan((road.motor ?? 0) * 5);
    expect(road["pump-weak"] ?? 0).toBeGreaterThan((standing["pump-weak"] ?? 0) * 5);
  });

  it("turns a low level to leaks, a code to its circuit and recent work to what hands leave behind", () => {
    const circuit = CIRCUITS["ecu-relay"];
    const plain = belief(circuit, {});
    expect(belief(circuit, { level: "low" })["leak-hose"] ?? 0).toBeGreaterThan(
      (plain["leak-hose"] ?? 0) * 2,
    );
    expect(belief(circuit, { codes: "P0118" })["sensor-open"] ?? 0).toBeGreaterThan(
      (plain["sensor-open"] ?? 0) * 4,
    );
    expect(belief(circuit, { happens: ["after-work"] })["air-lock"] ?? 0).toBeGreaterThan(
      (plain["air-lock"] ?? 0) * 2,
    );
  });

  it("takes words that objects know by themselves for words", () => {
    const odd = { happens: ["__proto__", "constructor"], gauge: "toString" } as unknown as Asked;
    expect(weighAsked(handbookPriors(CIRCUITS.viscous), odd)).toEqual(handbookPriors(CIRCUITS.viscous));
  });

  it("refuses a trouble that isn't asked for", () => {
    expect(() =>
      weighAsked(handbookPriors(CIRCUITS.viscous), { troubles: ["purring"] } as unknown as Asked),
    ).toThrow(/“purring”/);
  });
});

describe("settleCircuit", () => {
  it.each([
    [{ pins: "2", relay: "no", sensorRuns: "no" }, ["switch-1"]],
    [{ pins: "3", relay: "no", sensorRuns: "no" }, ["switch-2"]],
    [{ pins: "2", relay: "yes", sensorRuns: "no" }, ["switch-relays"]],
    [{ pins: "none", relay: "yes", sensorRuns: "yes" }, ["ecu-relay"]],
    [{ pins: "none", relay: "no", sensorRuns: "yes" }, ["ecu-module"]],
    [{ pins: "none", relay: "no", sensorRuns: "no" }, ["self-contained"]],
    [{ pins: "belt" }, ["viscous"]],
    [{ pins: "2" }, ["switch-1", "switch-relays"]],
    [{ pins: "2", sensorRuns: "yes" }, []],
  ] as const)("%j leaves %j", (answers, left) => {
    expect(settleCircuit(answers).left).toEqual(left);
  });
});

describe("proven", () => {
  const circuit = CIRCUITS["switch-2"];

  it("leaves everything untested without results", () => {
    expect(new Set(Object.values(proven(circuit, [])))).toEqual(new Set(["untested"]));
  });

  it("proves the whole path a jumper ran the fan through, and not the switch", () => {
    const map = proven(circuit, [{ test: "jumper-low", outcome: "runs" }]);
    expect(map).toMatchObject({
      fuse: "proven",
      feed: "proven",
      resistor: "proven",
      motor: expect.stringMatching(/proven|untested/),
      ground: "proven",
      battery: "proven",
      plug: "untested",
    });
  });

  it("suspects the path where nothing moved, and fails the one thing left", () => {
    const dead = [
      { test: "jumper-low", outcome: "stands" },
      { test: "warm-up", outcome: "no-fan" },
    ];
    expect(proven(circuit, dead).resistor).toBe("suspect");
    const fast = [...dead, { test: "jumper-high", outcome: "runs" }];
    expect(proven(circuit, fast)).toMatchObject({ resistor: "suspect", fuse: "proven", ground: "proven" });
    const clean = [
      ...fast,
      { test: "plugs", outcome: "clean" },
      { test: "ac-on", outcome: "stands" },
      { test: "feed-motor", outcome: "runs" },
    ];
    expect(proven(circuit, clean).resistor).toBe("failed");
  });
});

describe("a two-stage switch, step by step", () => {
  it("is found by following the next actions with honest answers", () => {
    const circuit = CIRCUITS["switch-2"];
    const model = modelOf(circuit, {
      weights: weighAsked(handbookPriors(circuit), { troubles: ["fan-never"] }),
    });
    const evidence: { test: string; outcome: string }[] = [];
    for (let step = 0; step < 20; step++) {
      const [next] = nextActions(model, evidence, USUAL_RATES);
      if (next?.kind === "repair") {
        expect(next.id).toBe("switch");
        return;
      }
      const test = model.tests.find(({ id }) => id === next?.id);
      const likeliest = [...(test?.outcomes ?? [])].sort(
        (a, b) => (b.given["switch-open"] ?? 0) - (a.given["switch-open"] ?? 0),
      )[0];
      evidence.push({ test: test?.id ?? "", outcome: likeliest?.id ?? "" });
    }
    throw new Error("twenty tests and no verdict");
  });
});
