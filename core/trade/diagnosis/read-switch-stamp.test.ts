import { describe, expect, it } from "vitest";
import { readSwitchStamp } from "./read-switch-stamp.ts";

describe("readSwitchStamp", () => {
  it.each([
    ["94/86", [[94, 86]]],
    ["94-86", [[94, 86]]],
    ["86-94", [[94, 86]]],
    ["94/86°C", [[94, 86]]],
    ["92,5/87", [[92.5, 87]]],
    [
      "94/86 101/92",
      [
        [94, 86],
        [101, 92],
      ],
    ],
    [
      "101/92 94/86",
      [
        [94, 86],
        [101, 92],
      ],
    ],
    [
      "101-92 / 94-86 °C",
      [
        [94, 86],
        [101, 92],
      ],
    ],
    [
      "1: 94/86 2: 101/92",
      [
        [94, 86],
        [101, 92],
      ],
    ],
  ] as const)("reads %s", (text, stages) => {
    const read = readSwitchStamp(text);
    expect(read.stages).toEqual(stages.map(([onC, offC]) => ({ onC, offC })));
    expect(read.unit).toBe("C");
  });

  it("turns °F into °C, said or plain to see", () => {
    for (const text of ["201F/187F", "201/187"]) {
      const { stages, unit } = readSwitchStamp(text);
      expect(unit).toBe("F");
      expect(stages[0]?.onC).toBeCloseTo(93.9, 1);
      expect(stages[0]?.offC).toBeCloseTo(86.1, 1);
    }
    expect(readSwitchStamp("201/187").assumed).not.toEqual(readSwitchStamp("201F/187F").assumed);
  });

  it("gives starts only where the stamp does, and says so", () => {
    const read = readSwitchStamp("1: 94 2: 101");
    expect(read.stages).toEqual([{ onC: 94 }, { onC: 101 }]);
    expect(read.assumed.join()).toMatch(/starts only/);
  });

  it.each([
    ["94 86 101", /three figures/],
    ["94", /one figure/],
    ["", /no figure/],
    ["94/94", /both on and off/],
    ["20/15", /no temperature of a coolant switch/],
    ["94/86 94/82", /both stages start at 94/],
    ["130/60", /too far apart/],
    ["94C/187F", /both °C and °F/],
    ["94/86 101/92 110/99", /6 figures/],
  ] as const)("refuses %s", (text, says) => {
    expect(() => readSwitchStamp(text)).toThrow(RangeError);
    expect(() => readSwitchStamp(text)).toThrow(says);
  });
});
