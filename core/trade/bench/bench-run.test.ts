import { describe, expect, it } from "vitest";
import { CIRCUIT_KINDS } from "../diagnosis/knowledge/index.ts";
import { SCRIPTS, simulate } from "../thermal/index.ts";
import { readTrace, writeTrace } from "../trace/index.ts";
import {
  applyChange,
  BENCH_CARS,
  BenchRun,
  type BenchSetup,
  benchCar,
  benchOf,
  LONGEST_S,
  readSetup,
  thermalCarOf,
} from "./index.ts";

const finch = thermalCarOf(benchCar("finch"));
const cold = SCRIPTS["cold start and idle"];
const bench = (script = cold, seed = 5) => new BenchRun({ car: finch, script, seed });

describe("a car on the bench", () => {
  it("is one at least of every kind of circuit", () => {
    const kinds = BENCH_CARS.map(({ card }) => card.circuit);
    for (const kind of CIRCUIT_KINDS) expect(kinds).toContain(kind);
    expect(() => benchCar("barge")).toThrow(/no car of the bench/);
  });

  it("left alone goes as the same script simulated whole", () => {
    const run = bench(SCRIPTS["raised revs"]);
    run.advance(1800);
    const { truth } = simulate(finch, SCRIPTS["raised revs"], [], { seed: 5 });
    const { blockC, radiatorC, litres } = run.state();
    expect(blockC).toBeCloseTo(truth.blockC[1800] as number, 6);
    expect(radiatorC).toBeCloseTo(truth.radiatorC[1800] as number, 6);
    expect(litres).toBeCloseTo(truth.litres[1800] as number, 6);
  });

  it("gets hotter by a fan that dies while it runs, and cooler again once it is whole", () => {
    const run = bench(SCRIPTS["raised revs"]);
    run.hold({ rpm: 2500 });
    run.advance(2400);
    const before = run.state();
    expect(before.blockC).toBeLessThan(100);
    run.put(["motor"], "motor put in");
    run.advance(900);
    const hot = run.state().blockC;
    expect(hot).toBeGreaterThan(before.blockC + 5);
    expect(run.state().stages).toBe(0);
    run.put([], "whole again");
    run.advance(900);
    expect(run.state().blockC).toBeLessThan(hot - 5);
    expect(run.marks.map(({ what }) => what)).toEqual([
      "bench: no real car",
      "bench: motor put in",
      "bench: whole again",
    ]);
  });

  it("loses coolant by what is put in, and is full again once it is taken out", () => {
    const run = bench();
    run.put(["low-coolant"]);
    expect(run.state().litres).toBeCloseTo(0.7 * finch.capacityL, 9);
    run.put([]);
    expect(run.state().litres).toBe(finch.litres);
    run.put(["low-coolant"]);
    run.put(["motor"]);
    expect(run.state().litres).toBe(finch.litres);
  });

  it("follows what is held, and the script again once it is let go", () => {
    const run = bench(SCRIPTS.motorway);
    run.hold({ rpm: 1500, ambientC: 35 });
    run.advance(60);
    expect(run.conditionsNow).toMatchObject({ rpm: 1500, ambientC: 35, kmh: 50 });
    run.hold({});
    run.advance(1);
    expect(run.conditionsNow).toMatchObject({ rpm: 1800, ambientC: 25 });
  });

  it("writes a log that reads back the same, marks with it", () => {
    const run = bench();
    run.advance(300);
    run.put(["thermostat-shut"], "put in: thermostat stuck shut");
    run.advance(300);
    const log = run.log();
    const { trace, problems } = readTrace(writeTrace(log));
    expect(problems).toEqual([]);
    expect(trace?.s).toEqual(log.s);
    expect(trace?.coolantC).toEqual(log.coolantC);
    expect(trace?.marks).toEqual([
      { s: 0, what: "bench: no real car" },
      { s: 300, what: "bench: put in: thermostat stuck shut" },
    ]);
  });

  it("refuses what no car is put through, and goes on as it was", () => {
    const run = bench();
    run.advance(60);
    const { blockC } = run.state();
    expect(() => run.hold({ rpm: 90_000 })).toThrow(RangeError);
    expect(() => run.hold({ ambientC: Number.NaN })).toThrow(RangeError);
    expect(() => run.put(["dragons"])).toThrow(/no fault/);
    expect(() => run.put(["motor", "fuse", "feed"])).toThrow(/2 can be/);
    expect(run.state().blockC).toBe(blockC);
    run.advance(60);
    expect(run.conditionsNow.rpm).toBe(800);
  });

  it("ends after eight hours", () => {
    const run = new BenchRun({ car: finch, script: { ambientC: 20, steps: [{ minutes: 1, rpm: 0 }] } });
    run.advance(LONGEST_S + 500);
    expect(run.isOver).toBe(true);
    expect(run.points).toHaveLength(LONGEST_S + 1);
  });
});

describe("a run that was left", () => {
  const setup: BenchSetup = {
    carKey: "pannier",
    script: "traffic",
    seed: 9,
    changes: [
      { s: 200, held: { rpm: 2500, ambientC: 30 } },
      { s: 400, faults: ["motor"] },
      { s: 900, faults: [] },
      { s: 900, held: {} },
    ],
    ranS: 1300,
  };

  it("is the same again, changes at their seconds and in words", () => {
    const left = new BenchRun({ car: thermalCarOf(benchCar("pannier")), script: SCRIPTS.traffic, seed: 9 });
    let at = 0;
    for (const change of setup.changes) {
      left.advance(change.s - at);
      at = change.s;
      applyChange(left, change);
    }
    left.advance(setup.ranS - at);
    const again = benchOf(JSON.parse(JSON.stringify(setup)));
    expect(again.log()).toEqual(left.log());
    expect(again.marks.map(({ s, what }) => `${s} ${what}`)).toEqual([
      "0 bench: no real car",
      "200 bench: 2500 rpm, air 30 °C",
      "400 bench: in it: fan motor dead",
      "900 bench: all faults taken out; as the script says",
    ]);
  });

  it("is none where it can't be run any more: nothing is half read", () => {
    expect(readSetup(setup)).toEqual(setup);
    for (const broken of [
      undefined,
      "setup",
      { ...setup, carKey: "ark" },
      { ...setup, script: "moon" },
      { ...setup, ranS: "long" },
      { ...setup, changes: "none" },
      { ...setup, changes: [{ s: 5, faults: ["dragons"] }] },
      { ...setup, changes: [{ s: 5, held: { rpm: 1e9 } }] },
      { ...setup, changes: [null] },
    ])
      expect(readSetup(broken)).toBeUndefined();
  });
});
