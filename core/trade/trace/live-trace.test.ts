import { describe, expect, it } from "vitest";
import { liveTrace, readTrace, writeTrace } from "./index.ts";

const samples = Array.from({ length: 60 }, (_, at) => ({
  s: at / 2,
  coolantC: 20 + Math.round(at / 10),
  rpm: 1500,
  ...(at % 5 === 0 && { intakeC: 19 }),
}));

describe("a log that was recorded live", () => {
  it("has a row a reading, and nothing where a figure wasn't asked for", () => {
    const trace = liveTrace(samples);
    expect(trace.s.length).toBe(60);
    expect(trace.intakeC?.[0]).toBe(19);
    expect(trace.intakeC?.[1]).toBeNaN();
    expect(liveTrace([{ s: 0, coolantC: 20 }]).rpm).toBeUndefined();
  });

  it("is in the order of its time where two processes wrote it, each moment once", () => {
    const [late, early] = [samples.slice(30), samples.slice(0, 32)];
    const trace = liveTrace([...late, ...early]);
    expect(trace.s.length).toBe(60);
    expect([...trace.s].every((s, at) => at === 0 || s > (trace.s[at - 1] as number))).toBe(true);
  });

  it("says of a gap why it is one, and makes nothing up in it", () => {
    const lost = [
      ...samples.slice(0, 20),
      { s: 24, gap: "the adapter was lost for 14 s" },
      ...samples.slice(48),
    ];
    const trace = liveTrace(lost);
    expect(trace.s.length).toBe(32);
    expect(trace.marks).toEqual([{ s: 24, what: "the adapter was lost for 14 s" }]);
  });

  it("keeps every mark through its file, each in a row of its own", () => {
    const marks = [
      { s: 7.3, what: "fan low on" },
      { s: 7.31, what: "top hose hot" },
      { s: 900, what: "bubbles stopped" },
    ];
    const { trace } = readTrace(writeTrace(liveTrace(samples, marks)));
    expect(trace?.marks.map(({ what }) => what)).toEqual(["fan low on", "top hose hot", "bubbles stopped"]);
    expect(trace?.marks[0]?.s).toBeCloseTo(7.5, 3);
    expect(trace?.marks[2]?.s).toBeCloseTo(29.5, 3);
  });

  it("of nothing is nothing", () => {
    expect(liveTrace([], [{ s: 3, what: "fan on" }])).toMatchObject({ marks: [] });
  });
});
