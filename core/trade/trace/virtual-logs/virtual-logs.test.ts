import { describe, expect, it } from "vitest";
import { analyseTrace } from "../analyse-trace.ts";
import { FAULTS, SOUND_KINDS, type VirtualLog, virtualLog } from "./index.fixture.ts";
import { score } from "./score.fixture.ts";

/** The bench runs ten thousand; these few show a break within seconds. */
const EACH = 8;
const SEED = 40_000;

const judged = (log: VirtualLog) => ({ name: log.name, ...score(log, analyseTrace(log.trace, log.spec)) });
const sound = SOUND_KINDS.map((kind, at) => ({
  kind,
  scores: Array.from({ length: EACH }, (_, i) => judged(virtualLog(kind, undefined, SEED + at * EACH + i))),
}));

describe("logs of virtual cars, made by other equations than the reader's", () => {
  it.each(sound)("no sound car fails: $kind", ({ scores }) => {
    expect(scores.flatMap(({ name, falseAlarms }) => falseAlarms.map((said) => `${name}: ${said}`))).toEqual(
      [],
    );
  });

  it.each(FAULTS)("no faulty car passes the check that should catch it: %s", (fault) => {
    const scores = Array.from({ length: EACH }, (_, i) =>
      judged(virtualLog(i % 2 ? "mix" : "plain", fault, SEED + 500 + i)),
    );
    expect(scores.filter(({ falseComfort }) => falseComfort).map(({ name }) => name)).toEqual([]);
  });

  it("finds what a log of whole degrees can show, and makes up next to nothing", () => {
    const all = sound.filter(({ kind }) => kind !== "revs" && kind !== "mix").flatMap(({ scores }) => scores);
    const sum = (of: (score: (typeof all)[number]) => number) =>
      all.reduce((total, each) => total + of(each), 0);
    expect(sum(({ tellableFound }) => tellableFound) / sum(({ tellable }) => tellable)).toBeGreaterThan(0.95);
    expect(sum(({ invented }) => invented.length) / sum(({ told }) => told)).toBeLessThan(0.01);
  });

  it("is of use: most sound thermostats that opened from cold pass, most that never open fail", () => {
    const plain = sound.find(({ kind }) => kind === "plain")?.scores ?? [];
    expect(plain.filter(({ passes }) => passes.includes("thermostat")).length).toBeGreaterThanOrEqual(
      EACH - 1,
    );
    const shut = Array.from({ length: EACH }, (_, i) =>
      judged(virtualLog("plain", "stuck-shut", SEED + 900 + i)),
    );
    expect(shut.filter(({ caught }) => caught).length).toBeGreaterThanOrEqual(EACH - 2);
  });
});
