import { describe, expect, it } from "vitest";
import { simulate, USUAL_CAR } from "../../core/trade/thermal/index.ts";
import { writeTrace } from "../../core/trade/trace/index.ts";
import { judgeLog } from "./judge-log.ts";

const SPEC = { thermostatOpensC: 87, fanOnC: [98], fanOffC: [92] };
const SCRIPT = { ambientC: 17, steps: [{ minutes: 36, rpm: 1500 }] };
const text = (hz: number) => writeTrace(simulate(USUAL_CAR, SCRIPT, [], { hz, seed: 3 }).trace);

describe("judgeLog", () => {
  it("thins the curve for drawing and judges every row", () => {
    const log = judgeLog(text(10), SPEC);
    expect(log.rows).toBe(36 * 60 * 10 + 1);
    expect(log.points?.length).toBeLessThanOrEqual(1200);
    expect(log.analysis?.checks.fanOn.verdict).toBe("pass");
  });

  it("keeps the shape: the same hottest point within a degree however often it was logged", () => {
    const hottest = (hz: number) =>
      Math.max(...(judgeLog(text(hz), SPEC).points?.map(({ coolantC }) => coolantC) ?? []));
    expect(Math.abs(hottest(1) - hottest(10))).toBeLessThanOrEqual(1);
  });

  it("draws nothing of a log that can't be read, and says why", () => {
    const log = judgeLog("time_s,rpm\n0,800\n1,800\n", SPEC);
    expect(log.points).toBeUndefined();
    expect(log.analysis).toBeUndefined();
    expect(log.problems.find(({ stops }) => stops)?.message).toMatch(/No column holds a coolant/);
  });

  it("carries marks and remarks along", () => {
    const marked = `time_s,coolant,mark\n${Array.from({ length: 200 }, (_, s) => `${s},${20 + s / 5},${s === 60 ? "top hose hot" : ""}`).join("\n")}`;
    const log = judgeLog(marked, SPEC);
    expect(log.marks).toEqual([{ s: 60, what: "top hose hot" }]);
    expect(log.assumed.join()).toMatch(/names no unit/);
  });
});
