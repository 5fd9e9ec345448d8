import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { samples } from "../../samples.fixture.ts";
import { BENCH_CARS } from "../bench/index.ts";
import { HAND_BACK, NOTHING_WRONG } from "../diagnosis/index.ts";
import { hypothesesOf, modelOf, REPAIRS, testsOf, USUAL_RATES } from "../diagnosis/knowledge/index.ts";
import {
  circuitOfCar,
  type Hidden,
  hide,
  LEVELS,
  type PracticeAct,
  PracticeRound,
  plannersWay,
  playRound,
  readActs,
} from "./index.ts";

const hidden = (carKey: string, faults: string[], given: Partial<Hidden> = {}): Hidden => ({
  level: 1,
  carKey,
  seed: 3,
  faults,
  troubles: faults.length > 0 ? faults.map(() => "hot-standing") : ["light"],
  gaugeOffC: 0,
  ...given,
});
const test = (id: string): PracticeAct => ({ do: "test", id });
const run = (rpm = 2500): PracticeAct => ({ do: "run", rpm, minutes: 5 });
const outcomes = (round: PracticeRound) => round.done.map(({ outcome }) => outcome);
const hot = (round: PracticeRound) => {
  for (let run5 = 0; run5 < 5; run5++) round.act(run());
  return round;
};

describe("what is hidden", () => {
  it("is the same for the same seed, as many as the level says, no two of them one repair's", () => {
    const rounds = samples(15, 60);
    for (const { key } of BENCH_CARS)
      for (const { id: level } of LEVELS)
        for (let seed = 0; seed < rounds; seed++) {
          const car = hide(level, key, seed);
          expect(hide(level, key, seed)).toEqual(car);
          const { faults, gaugeOffC } = car;
          const known = hypothesesOf(circuitOfCar(key)).map(({ id }) => id);
          for (const fault of faults) expect(known).toContain(fault);
          if (level === 1) expect(faults).toHaveLength(1);
          if (level >= 3) expect(faults).toHaveLength(2);
          if (level < 4) expect(gaugeOffC).toBe(0);
          else expect(Math.abs(gaugeOffC)).toBeGreaterThanOrEqual(8);
          const both = REPAIRS.filter(({ fixes }) => faults.every((fault) => fixes.includes(fault)));
          if (level >= 3) expect(both).toEqual([]);
        }
  });

  it("is nothing now and then at the second level, and refused where there is no such car, level or seed", () => {
    const none = Array.from({ length: 200 }, (_, seed) => hide(2, "finch", seed)).filter(
      ({ faults }) => faults.length === 0,
    );
    expect(none.length).toBeGreaterThan(5);
    expect(none.length).toBeLessThan(60);
    expect(() => hide(5, "finch", 1)).toThrow(RangeError);
    expect(() => hide(1, "ark", 1)).toThrow(RangeError);
    for (const seed of [-1, 0.5, Number.NaN, 2 ** 40])
      expect(() => hide(1, "finch", seed)).toThrow(RangeError);
  });
});

describe("a warm-up of a car in practice", () => {
  it("shows of nearly every fault what the handbook expects of it, though it comes of heat and flow alone", () => {
    let told = 0;
    let near = 0;
    for (const { key } of BENCH_CARS) {
      const circuit = circuitOfCar(key);
      const { tests } = modelOf(circuit);
      for (const { id } of hypothesesOf(circuit)) {
        const round = new PracticeRound(hidden(key, id === NOTHING_WRONG ? [] : [id]));
        for (const each of ["thermostat-watch", "warm-up"]) {
          const { outcome } = round.act(test(each));
          if (outcome === undefined) continue;
          told++;
          const given = tests
            .find((known) => known.id === each)
            ?.outcomes.find((seen) => seen.id === outcome);
          if ((given?.given[id] ?? 0) >= 0.1) near++;
        }
      }
    }
    expect(told).toBeGreaterThan(590);
    expect(near / told).toBeGreaterThan(0.95);
  });

  it("is passed by every sound car", () => {
    for (const { key } of BENCH_CARS) {
      const round = playRound(hidden(key, []), [test("level"), test("thermostat-watch"), test("warm-up")]);
      expect(outcomes(round)).toEqual(["line", "opens", "as-card"]);
      expect(round.account.hasBoiled).toBe(false);
    }
  });

  it("is one for the tests that share it, and none on an engine that is warm already", () => {
    const alone = playRound(hidden("finch", []), [test("level"), test("warm-up")]);
    const both = playRound(hidden("finch", []), [test("level"), test("bubbles"), test("warm-up")]);
    expect(both.account.workMinutes - alone.account.workMinutes).toBeLessThan(5);
    expect(both.done.at(-1)?.outcome).toBe("as-card");
    const late = hot(playRound(hidden("finch", []), [test("level")]));
    const { outcome, words } = late.act(test("warm-up"));
    expect(outcome).toBeUndefined();
    expect(words).toMatch(/warm already/);
    late.act({ do: "night" });
    expect(late.act(test("warm-up")).outcome).toBe("as-card");
  });
});

describe("heat in practice", () => {
  it("is wanted by what is done hot: done cold it says nothing and leaves no result", () => {
    const round = playRound(hidden("finch", ["heater-flap"]), [test("level")]);
    expect(round.act(test("heater")).outcome).toBeUndefined();
    expect(round.isTested("heater")).toBe(false);
    expect(hot(round).act(test("heater")).outcome).toBe("lukewarm");
  });

  it("of a cap opened hot is risked, however the test comes out, and hides a low level", () => {
    const round = hot(playRound(hidden("finch", ["low-coolant"]), []));
    expect(round.account.isUnlooked).toBe(true);
    expect(round.act(test("level")).outcome).toBe("line");
    expect(round.account.openedHot).toHaveLength(1);
    expect(round.account.openedHot[0]?.coolantC).toBeGreaterThan(80);
    const cold = playRound(hidden("finch", ["low-coolant"]), [test("level")]);
    expect(outcomes(cold)).toEqual(["low"]);
    expect(cold.account.openedHot).toEqual([]);
  });

  it("boils a car whose thermostat is shut where the dial lies low, and stops at the red where it is right", () => {
    const dead = (gaugeOffC: number) => {
      const round = playRound(hidden("finch", ["thermostat-shut"], { level: 4, gaugeOffC }), [test("level")]);
      const isRed = () => round.done.some(({ words }) => words?.includes("in the red"));
      for (let more = 0; more < 14 && !isRed(); more++) round.act(run());
      return round;
    };
    const right = dead(0);
    expect(right.account.hasBoiled).toBe(false);
    const lying = dead(-14);
    expect(right.account.peakC).toBeLessThan(122);
    expect(lying.account.hasBoiled).toBe(true);
  });

  it("ends what is run for a test at the test's own stop, by the port, whatever the dial says", () => {
    const round = playRound(hidden("finch", ["thermostat-shut"], { level: 4, gaugeOffC: -14 }), [
      test("level"),
    ]);
    for (let more = 0; more < 3; more++) round.act(run());
    for (const id of ["heater", "hose-revs", "flow-revs", "core-hot", "gauge", "heater-pipes", "switch-hot"])
      round.act(test(id));
    expect(round.account.hasBoiled).toBe(false);
    // What the metal still gives when it is off comes on top of the stop.
    expect(round.account.peakC).toBeLessThan(123);
    expect(round.done.some(({ words }) => words?.includes("Let it stand first"))).toBe(true);
    round.act({ do: "repair", id: "fuse" });
    expect(round.account.hasBoiled).toBe(false);
  });

  it("is looked at beside the port: a dial that lies is seen either way, put right, and no repair in vain", () => {
    const beside = (gaugeOffC: number, faults = ["motor"]) =>
      playRound(hidden("finch", faults, { level: 4, gaugeOffC }), [
        test("level"),
        run(),
        run(),
        test("gauge"),
      ]);
    expect(beside(0).done.at(-1)?.outcome).toBe("agree");
    expect(beside(11).done.at(-1)?.outcome).toBe("high");
    expect(beside(0, ["gauge-high"]).done.at(-1)?.outcome).toBe("high");
    const low = beside(-11);
    expect(low.done.at(-1)).toMatchObject({
      words: expect.stringMatching(/^Gauge lower: \d+ °C on the dial, \d+ °C live/),
    });
    expect(low.isTested("gauge")).toBe(false);
    low.act({ do: "repair", id: "gauge" });
    expect(low.account.wrongRepairs).toBe(0);
    low.act({ do: "night" });
    expect(low.seen().gaugeC).toBeGreaterThan(15);
    const right = beside(0);
    right.act({ do: "repair", id: "gauge" });
    expect(right.account.wrongRepairs).toBe(1);
  });

  it("is read with the engine cold, or the fan has its reason: hot it may run on a sound car", () => {
    const sound = playRound(hidden("pannier", []), [
      test("level"),
      ...Array.from({ length: 4 }, () => run()),
    ]);
    for (let more = 0; more < 6 && !sound.seen().fansRun; more++)
      sound.act({ do: "run", rpm: 2500, minutes: 2 });
    expect(sound.seen().fansRun).toBe(true);
    expect(sound.act(test("fan-cold"))).toMatchObject({ outcome: "turns", words: "It was not cold." });
  });

  it("of an engine whose level was looked at counts as looked at after a repair too", () => {
    const round = playRound(hidden("finch", ["motor", "cap-weak"], { level: 3 }), [
      test("level"),
      { do: "repair", id: "fan" },
      run(),
    ]);
    expect(round.end).toBeUndefined();
    expect(round.account.isUnlooked).toBe(false);
  });

  it("is felt by hand at the hoses: the lower one stays cold where the thermostat is shut", () => {
    const shut = playRound(hidden("drover", ["thermostat-shut"]), [test("level"), run(), run()]);
    expect(shut.seen()).toMatchObject({ upperHose: expect.stringMatching(/cold|warm/), lowerHose: "cold" });
    expect(shut.seen().gaugeC).toBeGreaterThan(70);
    const sound = playRound(hidden("drover", []), [test("level")]);
    for (let more = 0; more < 9; more++) sound.act(run());
    expect(sound.seen()).toMatchObject({ upperHose: "hot", lowerHose: expect.stringMatching(/warm|hot/) });
    sound.act({ do: "night" });
    expect(sound.seen()).toMatchObject({ upperHose: "cold", lowerHose: "cold" });
    expect(sound.seen().gaugeC).toBeLessThan(22);
  });
});

describe("a repair in practice", () => {
  it("ends the round where it was the right one, and costs its time where it wasn't", () => {
    const right = playRound(hidden("finch", ["motor"]), [{ do: "repair", id: "fan" }]);
    expect(right).toMatchObject({ end: "found", isRight: true });
    const wrong = playRound(hidden("finch", ["motor"]), [
      { do: "repair", id: "fuse" },
      { do: "repair", id: "fan" },
    ]);
    expect(wrong).toMatchObject({ end: "found", isRight: false });
    expect(wrong.account.wrongRepairs).toBe(1);
    expect(wrong.account.cents()).toBeGreaterThan(right.account.cents());
  });

  it("of one of two says so, and what was seen before counts no more", () => {
    const round = playRound(hidden("finch", ["motor", "thermostat-shut"], { level: 3 }), [
      test("level"),
      test("feed-motor"),
      { do: "repair", id: "fan" },
    ]);
    expect(round.end).toBeUndefined();
    expect(round.evidence).toEqual([]);
    expect(round.stillWrong).toEqual(["thermostat-shut"]);
    round.act({ do: "wait", minutes: 60 });
    round.act({ do: "wait", minutes: 60 });
    round.act({ do: "repair", id: "thermostat" });
    expect(round).toMatchObject({ end: "found", isRight: true });
  });

  it("that opens a hot engine is risked", () => {
    const round = hot(playRound(hidden("finch", ["thermostat-lazy"]), [test("level")]));
    round.act({ do: "repair", id: "thermostat" });
    expect(round.account.openedHot).toHaveLength(1);
  });

  it("is none where the car is handed back: right with nothing wrong, a comeback else, dearer where it boils", () => {
    const back = (faults: string[]) => playRound(hidden("finch", faults), [{ do: "repair", id: HAND_BACK }]);
    expect(back([])).toMatchObject({ end: "handed-back", isRight: true });
    expect(back(["motor"])).toMatchObject({ isRight: false });
    expect(back(["motor"]).account.comebackCents).toBe(USUAL_RATES.comebackCents);
    expect(back(["pump-weak"]).account.comebackCents).toBeGreaterThan(5 * USUAL_RATES.comebackCents);
  });

  it("is refused where this car has no such part, and after the end", () => {
    expect(() => playRound(hidden("finch", ["motor"]), [{ do: "repair", id: "module" }])).toThrow(RangeError);
    const over = playRound(hidden("finch", ["motor"]), [{ do: "give-up" }]);
    expect(over).toMatchObject({ end: "given-up", isRight: false });
    expect(() => over.act(test("level"))).toThrow(/over/);
  });
});

describe("the planner's way", () => {
  it("opens nothing hot, boils nothing, looks at the level first, and finds the one plain fault", () => {
    let right = 0;
    const rounds = samples(6, 24);
    for (let at = 0; at < rounds; at++) {
      const car = hide(1, BENCH_CARS[at % BENCH_CARS.length]?.key ?? "", 4000 + 97 * at);
      const way = plannersWay(car);
      expect(way.account.openedHot).toEqual([]);
      expect(way.account.hasBoiled).toBe(false);
      expect(way.account.isUnlooked).toBe(false);
      expect(way.end).toBeDefined();
      if (way.isRight) right++;
      const acts = way.done.map(({ act }) => act);
      expect(playRound(car, acts).account).toEqual(way.account);
    }
    expect(right).toBeGreaterThanOrEqual(Math.floor(0.83 * rounds));
  });

  it("comes to an end with two faults and a gauge that lies", () => {
    for (let at = 0; at < 8; at++) {
      const way = plannersWay(hide(4, BENCH_CARS[at]?.key ?? "", 77 + at));
      expect(way.end).toBeDefined();
      expect(way.account.openedHot).toEqual([]);
    }
  });
});

describe("acts", () => {
  it("by chance, sensible or not, never leave a round that can't be told", () => {
    const random = seededRandom(42);
    const any = <Item>(items: readonly Item[]) => items[Math.floor(random() * items.length)] as Item;
    const rounds = samples(8, 30);
    for (let at = 0; at < rounds; at++) {
      const { key } = any(BENCH_CARS);
      const car = hide(any([1, 2, 3, 4]), key, at);
      const round = new PracticeRound(car);
      const acts: PracticeAct[] = [];
      for (let more = 0; more < 25 && !round.end; more++) {
        const act = any<PracticeAct>([
          test(any(testsOf(round.circuit)).id),
          test(any(testsOf(round.circuit)).id),
          { do: "run", rpm: any([800, 2500]), minutes: any([2, 5]) },
          { do: "wait", minutes: any([10, 60]) },
          { do: "night" },
          { do: "repair", id: any(REPAIRS).id },
        ]);
        try {
          round.act(act);
          acts.push(act);
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError);
        }
        const { gaugeC } = round.seen();
        expect(Number.isFinite(gaugeC)).toBe(true);
        expect(round.account.peakC).toBeLessThan(150);
        expect(Number.isFinite(round.account.cents())).toBe(true);
      }
      const again = playRound(car, readActs(JSON.parse(JSON.stringify(acts))));
      expect(again.done).toEqual(round.done);
      expect(again.account).toEqual(round.account);
    }
  });

  it("that nobody does are refused in words", () => {
    for (const given of [
      "run",
      [{ do: "run", rpm: 9000, minutes: 5 }],
      [{ do: "run", rpm: 800, minutes: 1e9 }],
      [{ do: "wait", minutes: -10 }],
      [{ do: "test" }],
      [{ do: "test", id: "x".repeat(500) }],
      [null],
      Array.from({ length: 500 }, () => ({ do: "night" })),
    ])
      expect(() => readActs(given)).toThrow(RangeError);
  });
});
