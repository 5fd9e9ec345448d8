import { describe, expect, it } from "vitest";
import { analyseTrace } from "./analyse-trace.ts";
import { type Fault, type SoundKind, virtualLog } from "./virtual-logs/index.fixture.ts";

/** How far the told stop nearest to each true one is from it, s; those of the last minute haven't shown yet. */
function errors(kind: SoundKind, seed: number, fault?: Fault): number[] {
  const { trace, spec, events } = virtualLog(kind, fault, seed);
  const told = analyseTrace(trace, spec).events.filter((event) => event.kind === "fan-off");
  return events
    .filter((event) => event.kind === "fan-off" && event.atS < (trace.s.at(-1) ?? 0) - 60)
    .map((event) =>
      Math.min(
        ...told
          .filter(({ coolantC }) => Math.abs(coolantC - event.coolantC) < 1.5)
          .map(({ atS }) => Math.abs(atS - event.atS)),
      ),
    );
}

describe("stops of a fan, by virtual cars of other equations", () => {
  it.each([
    { kind: "two" as const, seed: 771349, stops: 2 },
    { kind: "two" as const, seed: 771469, stops: 3 },
    { kind: "hot" as const, seed: 771556, stops: 2 },
    { kind: "hot" as const, seed: 771928, stops: 6 },
  ])("are placed in the flat that the fall ends in, not where the rise leaves it: $kind $seed", (log) => {
    const found = errors(log.kind, log.seed);
    expect(found).toHaveLength(log.stops);
    expect(Math.max(...found)).toBeLessThan(15);
  });

  it.each([771747, 771519])("are seen after a start that raised revs hid: %i", (seed) => {
    expect(errors("revs", seed)[0]).toBeLessThan(15);
  });

  it("are seen where the log ends soon after, if they are sharp", () => {
    expect(errors("plain", 771636)).toEqual([expect.closeTo(0, -1)]);
  });
});
