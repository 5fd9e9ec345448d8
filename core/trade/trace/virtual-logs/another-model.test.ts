import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { describe, expect, it } from "vitest";
import { analyseTrace } from "../analyse-trace.ts";
import { type CheckName, type TraceSpec } from "../analysis.ts";
import { readTrace } from "../read-trace.ts";

interface Truth {
  fault: string;
  spec: TraceSpec;
  events: { kind: string; atS: number; coolantC: number; stage?: number }[];
  verdictMayBe: Partial<Record<CheckName, string[]>>;
}

const FOLDER = join(import.meta.dirname, "another-model");
const logs = readdirSync(FOLDER)
  .filter((file) => file.endsWith(".csv.gz"))
  .map((file) => {
    const name = file.replace(".csv.gz", "");
    const truth: Truth = JSON.parse(readFileSync(join(FOLDER, `${name}.truth.json`), "utf8"));
    const { trace } = readTrace(gunzipSync(readFileSync(join(FOLDER, file))).toString());
    if (!trace) throw new Error(`${name} can't be read`);
    return { name, truth, trace, analysis: analyseTrace(trace, truth.spec) };
  });

/** The log ends on it, or the signal is spoilt: nothing to find. */
const SETTLED_S = 60;
const SPOILT = /^(air|bias|dropout)/;

describe("52 logs of another model", () => {
  it.each(logs)("$name: no verdict that the truth forbids", ({ truth, analysis }) => {
    for (const [check, allowed] of Object.entries(truth.verdictMayBe))
      expect(allowed, `${check}: ${analysis.checks[check as CheckName].because}`).toContain(
        analysis.checks[check as CheckName].verdict,
      );
  });

  it("passes the thermostat wherever a sound one was seen to open from cold", () => {
    const seen = logs.filter(
      ({ truth }) =>
        truth.fault === "none" &&
        truth.spec.restedH === 12 &&
        truth.events.some(({ kind }) => kind === "thermostat-opens"),
    );
    const passed = seen.filter(({ analysis }) => analysis.checks.thermostat.verdict === "pass");
    expect(seen.length).toBeGreaterThan(15);
    expect(passed.length / seen.length).toBeGreaterThan(0.9);
  });

  it("fails a fan that stood still well past its start, and no other fan", () => {
    for (const { name, truth, analysis } of logs) {
      const startC = truth.spec.fanOnC[0] ?? 0;
      if (truth.fault === "fan-dead" && analysis.peakC > startC + 10)
        expect(analysis.checks.fanOn, name).toMatchObject({ verdict: "fail", failing: "never" });
    }
  });

  it("finds nine events of ten within 15 s and 1.5 °C, and makes up next to none", () => {
    let due = 0;
    let found = 0;
    let told = 0;
    let invented = 0;
    for (const { name, truth, trace, analysis } of logs.filter((log) => !SPOILT.test(log.name))) {
      const read = analysis.events.filter(({ kind }) => kind !== "revs-raised" && kind !== "dropout");
      const real = truth.events.filter(({ kind }) => kind !== "revs-raised");
      const endS = trace.s.at(-1) ?? 0;
      for (const event of real.filter(({ atS }) => atS < endS - SETTLED_S)) {
        due++;
        if (
          read.some(
            ({ kind, atS, coolantC }) =>
              kind === event.kind &&
              Math.abs(atS - event.atS) <= 15 &&
              Math.abs(coolantC - event.coolantC) <= 1.5,
          )
        )
          found++;
      }
      told += read.length;
      invented += read.filter(
        ({ kind, atS }) => !real.some((event) => event.kind === kind && Math.abs(event.atS - atS) <= 60),
      ).length;
      expect(name).toBeTruthy();
    }
    expect(due).toBeGreaterThan(150);
    expect(found / due).toBeGreaterThan(0.87);
    expect(invented / told).toBeLessThan(0.01);
  });
});
