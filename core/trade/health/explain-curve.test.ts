import { describe, expect, it } from "vitest";
import { HYPOTHESES } from "../diagnosis/knowledge/index.ts";
import { FAULT_IDS, type Script, simulate, type ThermalCar, USUAL_CAR } from "../thermal/index.ts";
import { ACCOUNTS, explainCurve } from "./index.ts";

const STANDING: Script = {
  ambientC: 11,
  steps: [
    { minutes: 18, rpm: 1500 },
    { minutes: 10, rpm: 2500 },
  ],
};
/** A little otherwise than the car that the faults are put into. */
const REAL: ThermalCar = {
  ...USUAL_CAR,
  idleKW: USUAL_CAR.idleKW * 1.03,
  opensC: USUAL_CAR.opensC - 0.6,
  fans: USUAL_CAR.fans.map((fan) => ({ ...fan, onC: fan.onC + 0.5, offC: fan.offC - 0.4 })),
};
const logOf = (faults: readonly string[], seed = 3) => simulate(REAL, STANDING, faults, { seed }).trace;
const UNSEEN = new Set([
  "wrong-strength",
  "heater-flap",
  "cap-weak",
  "gauge-high",
  ...FAULT_IDS.filter((id) => id.startsWith("leak-")),
]);

describe("what draws a curve", () => {
  it("is every fault that a warm-up can show, each in an account that draws it", () => {
    const known = new Set(ACCOUNTS.flatMap(({ hypotheses }) => hypotheses));
    for (const { id } of HYPOTHESES) expect([id, known.has(id)]).toEqual([id, !UNSEEN.has(id)]);
  });

  it.each([
    ["motor", "no-fan"],
    ["switch-rating", "fan-late"],
  ])("tells a car with %s by its log", (fault, account) => {
    const explained = explainCurve(logOf([fault]), USUAL_CAR, { restedH: 9 })?.explained ?? [];
    expect(explained[0]?.account.id).toBe(account);
    expect(explained[0]?.apartC).toBeLessThan(0.9);
    expect(explained.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
  });

  it("names no fault that this car can't have", () => {
    const weightOf = (id: string) => (id === "motor" || id === "nothing-wrong" ? 1 : 0);
    const told = explainCurve(logOf(["motor"]), USUAL_CAR, { restedH: 9, weightOf })?.explained ?? [];
    expect(told.map(({ account }) => account.hypotheses)).toEqual([["motor"], ["nothing-wrong"]]);
  });

  it("takes a sound car for one, and goes from a worker to its page as it is", () => {
    const heard: number[] = [];
    const told = explainCurve(logOf([]), USUAL_CAR, { restedH: 9, onProgress: (share) => heard.push(share) });
    expect(told?.explained[0]?.account.id).toBe("sound");
    expect(structuredClone(told)).toEqual(told);
    expect(heard).toEqual([...heard].sort((a, b) => a - b));
    expect(heard.at(-1)).toBe(1);
  });

  it("is nothing where there is no log to speak of", () => {
    const { s, coolantC } = logOf([]);
    expect(
      explainCurve({ s: s.subarray(0, 90), coolantC: coolantC.subarray(0, 90), marks: [] }, USUAL_CAR),
    ).toBeUndefined();
  });
});
