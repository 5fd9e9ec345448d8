import { describe, expect, it } from "vitest";
import { stepDoneDrafts } from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { stepsFor } from "../../trade/order/index.ts";
import { workedOn } from "./index.ts";

const STEPS = stepsFor("radiator", ["undertray"]).filter(({ id }) =>
  ["stands", "undertray", "hoses"].includes(id),
);
const FINDING = {
  kind: "decision",
  stage: "find",
  item: "finding",
  text: "fan motor",
  data: { finding: "fault" },
} as const;
/** Lines at these minutes past eight. */
const at = (lines: [minute: number, line: Partial<Entry>][]) =>
  book(
    lines.map(([minute, line]) => ({ ...line, at: new Date(Date.UTC(2031, 2, 4, 8, minute)).toISOString() })),
  );
const note = (stage: Entry["stage"]): Partial<Entry> => ({ kind: "note", stage, text: "looked" });

describe("what work took", () => {
  it("is from line to line at a stage, and not the hours that nobody was there", () => {
    const lines = at([
      [0, note("find")],
      [10, note("find")],
      [30, note("find")],
      [300, { ...FINDING }],
    ]);
    expect(workedOn(lines)).toEqual([{ stage: "find", estimated: 30, real: 30 }]);
  });

  it("is held against the steps that were done, and against nothing where too few were", () => {
    const done = STEPS.flatMap((step, index) =>
      stepDoneDrafts(step, []).map((line): [number, Partial<Entry>] => [
        10 + index * 12,
        { ...line, stage: "strip" },
      ]),
    );
    const estimated = STEPS.reduce((sum, { minutes }) => sum + minutes, 0);
    expect(workedOn(at([[0, note("strip")], ...done]))).toEqual([{ stage: "strip", estimated, real: 34 }]);
    expect(workedOn(at([[0, note("strip")], ...done.slice(0, 1)]))).toEqual([]);
  });

  it("knows the steps of every order of work, a switch's too", () => {
    const steps = stepsFor("switch only", []);
    const lines = steps.flatMap((step, index) =>
      stepDoneDrafts(step, []).map((line): [number, Partial<Entry>] => [
        index * 5,
        { ...line, stage: "strip" },
      ]),
    );
    const estimated = steps.reduce((sum, { minutes }) => sum + minutes, 0);
    expect(workedOn(at(lines))[0]?.estimated).toBe(estimated);
  });

  it("is nothing where all was written at once, or nothing was found", () => {
    expect(
      workedOn(
        at([
          [0, note("find")],
          [0, { ...FINDING }],
        ]),
      ),
    ).toEqual([]);
    expect(
      workedOn(
        at([
          [0, note("find")],
          [20, note("find")],
        ]),
      ),
    ).toEqual([]);
    expect(workedOn([])).toEqual([]);
  });
});
