import { describe, expect, it } from "vitest";
import { analyseTrace } from "./analyse-trace.ts";
import { virtualLog } from "./virtual-logs/index.fixture.ts";

const openingOf = (list: readonly { kind: string; atS: number; coolantC: number }[]) =>
  list.find(({ kind }) => kind === "thermostat-opens");

describe("the opening of a thermostat at idle", () => {
  // Cold water comes back to an inlet thermostat and keeps it from opening quickly: the climb bends over a minute.
  it.each([771056, 771236, 771260])(
    "is told where it began, however slowly the climb bends: virtual car %i",
    (seed) => {
      const { trace, spec, events } = virtualLog("inlet", undefined, seed);
      const [told, truth] = [openingOf(analyseTrace(trace, spec).events), openingOf(events)];
      expect(Math.abs((told?.atS ?? Number.NaN) - (truth?.atS ?? 0))).toBeLessThanOrEqual(15);
      expect(Math.abs((told?.coolantC ?? Number.NaN) - (truth?.coolantC ?? 0))).toBeLessThanOrEqual(1.5);
    },
  );
});
