import { describe, expect, it } from "vitest";
import { simulate, USUAL_CAR } from "../thermal/index.ts";
import { analyseTrace, liveAdvice, type TraceSpec } from "./index.ts";

const SPEC: TraceSpec = { thermostatOpensC: 87, fanOnC: [98], fanOffC: [92] };

/** What was told minute by minute at a car that is put through these. */
function minutesOf(
  faults: string[],
  steps: { minutes: number; rpm: number }[] = [{ minutes: 45, rpm: 1500 }],
  spec = SPEC,
  car = USUAL_CAR,
) {
  const { trace } = simulate(car, { ambientC: 18, steps }, faults, { seed: 7 });
  const samples = Array.from(trace.s, (s, row) => ({
    s,
    coolantC: trace.coolantC[row] as number,
    rpm: trace.rpm[row] as number,
  }));
  return Array.from({ length: Math.floor(samples.length / 60) }, (_, minute) => {
    const until = (minute + 1) * 60;
    const cut = (figures: Float64Array) => figures.slice(0, until);
    const { events } = analyseTrace(
      { s: cut(trace.s), coolantC: cut(trace.coolantC), rpm: cut(trace.rpm), marks: [] },
      spec,
    );
    return {
      ...liveAdvice({ spec, samples: samples.slice(0, until), events }),
      atC: samples[until - 1]?.coolantC ?? 0,
    };
  });
}

describe("what is said beside an engine that runs", () => {
  it("goes with a sound car from cold through opening, start and stop, and never says stop", () => {
    const said = minutesOf([]);
    expect(said.some(({ kind }) => kind === "stop")).toBe(false);
    const words = said.map((each) => each.words.replaceAll(/\d+/g, "n"));
    expect(words[2]).toMatch(/^Let it warm: n °C; the thermostat opens at n °C, in about n min/);
    expect(words.some((each) => /Listen for it/.test(each))).toBe(true);
    expect(words.at(-1)).toMatch(/were seen: one more cycle, or stop and keep it/);
  });

  it("says how long it takes within a third of what it took", () => {
    const said = minutesOf([]);
    const reached = said.findIndex(({ atC }) => atC >= 87) + 1;
    for (const at of [4, 6, 8]) {
      const minutes = Number(/about (\d+) min/.exec(said[at - 1]?.words ?? "")?.[1]);
      expect(Math.abs(minutes - (reached - at))).toBeLessThan((reached - at) / 3 + 1);
    }
  });

  it("asks for revs where an idling engine holds itself below its fan", () => {
    const said = minutesOf([], [{ minutes: 120, rpm: 800 }], { ...SPEC, fanOnC: [101], fanOffC: [95] });
    expect(said.at(-1)).toMatchObject({
      kind: "do",
      words: "Hold 2500 until 101 °C: the fan's start has not been reached.",
    });
  });

  it("asks whether a fan that should run is heard, then says stop, before anything boils", () => {
    const said = minutesOf(["motor"]);
    const asked = said.findIndex(({ words }) => /Do you hear it\?/.test(words));
    const stop = said.findIndex(({ kind }) => kind === "stop");
    expect(asked).toBeGreaterThan(0);
    expect(stop).toBeGreaterThan(asked);
    expect(said[stop]?.words).toMatch(/^Stop: 1\d\d °C and still climbing\. Engine off; the cap stays on\.$/);
    expect(said[stop]?.atC).toBeLessThan(118);
  });

  it("says stop of a thermostat that stays shut, and never lets it go on past 118 °C without", () => {
    for (const spec of [SPEC, { fanOnC: [], fanOffC: [] }, { ...SPEC, thermostatOpensC: null }])
      for (const { kind, atC } of minutesOf(["thermostat-shut", "motor"], undefined, spec))
        if (atC >= 118) expect(kind).toBe("stop");
  });

  it("takes no dead sensor for a cold engine, nor a short for a hot one", () => {
    expect(minutesOf(["sensor-open"]).at(-1)).toMatchObject({
      kind: "do",
      words: expect.stringMatching(/open circuit/),
    });
    expect(minutesOf(["sensor-short"]).at(-1)).toMatchObject({
      kind: "do",
      words: expect.stringMatching(/a short reads so/),
    });
  });

  it("never says stop of a sound car whose fan is switched in the radiator", () => {
    const car = { ...USUAL_CAR, fanSenses: "radiator" as const, fans: [{ onC: 88, offC: 82, airKgS: 0.3 }] };
    const spec = { thermostatOpensC: 87, fanOnC: [88], fanOffC: [82], fanSenses: "radiator" as const };
    const said = minutesOf([], [{ minutes: 60, rpm: 2000 }], spec, car);
    expect(Math.max(...said.map(({ atC }) => atC))).toBeGreaterThan(90);
    expect(said.filter(({ kind }) => kind === "stop")).toEqual([]);
  });

  it("goes by no figure that is old, nor by a fan that ran once", () => {
    const samples = [{ s: 60, coolantC: 97, rpm: 1500 }];
    const said = liveAdvice({ spec: SPEC, samples, events: [], unreadS: 40 });
    expect(said).toMatchObject({ kind: "do", words: expect.stringMatching(/^Nothing was read for 40 s/) });
    const ran = [{ kind: "thermostat-opens" }, { kind: "fan-on" }, { kind: "fan-off" }] as const;
    const again = liveAdvice({ spec: SPEC, samples: [{ s: 900, coolantC: 104, rpm: 1500 }], events: ran });
    expect(again.words).toMatch(/should run again by now/);
  });

  it("says of nothing read that nothing is read", () => {
    expect(liveAdvice({ spec: SPEC, samples: [], events: [] }).words).toMatch(/Nothing is read/);
    expect(liveAdvice({ spec: SPEC, samples: [{ s: 3, rpm: 800 }], events: [] }).kind).toBe("wait");
  });
});
