import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CoolantLevel, factOf } from "../book/facts/index.ts";
import { readLevel } from "./read-level.ts";
import { wordsOf } from "./words.ts";

const read = (line: string) => readLevel(wordsOf(line));
const levelOf = (line: string) => {
  const drafts = read(line);
  return Array.isArray(drafts) ? factOf(drafts[0] as never)?.fact : undefined;
};

describe("readLevel", () => {
  it.each([
    ["level line", { level: "line" }],
    ["level at the line cold", { level: "line", heat: "cold" }],
    ["coolant level below min cold", { level: "low", heat: "cold" }],
    ["level min", { level: "min" }],
    ["level max hot", { level: "max", heat: "hot" }],
    ["cold level empty", { level: "empty", heat: "cold" }],
    ["tank level low, engine warm", { level: "low", heat: "hot" }],
    ["level none to be seen", { level: "empty" }],
    ["level under the minimum", { level: "low" }],
  ])("%s", (line, fact) => {
    expect(levelOf(line)).toEqual(Object.assign(new CoolantLevel(), fact));
  });

  it.each([
    ["level min max", "one mark"],
    ["level line hot cold", "not both"],
    ["level", "where it stands"],
    ["level fine", "where it stands"],
    ["level not low", "where it stands"],
    ["level low no leak", "cold, hot or nothing more"],
  ])("asks for more than “%s”", (line, wanted) => {
    expect(read(line)).toMatchObject({ expected: expect.stringContaining(wanted) });
  });

  it.each(["level sensor unplugged", "level switch low", "fan on at the level", "coolant 4 l"])(
    "leaves to others: %s",
    (line) => {
      expect(read(line)).toBeUndefined();
    },
  );

  it("never books a level out of a line with a word that it doesn't know", () => {
    const strange = fc.constantFrom("not", "never", "was", "should", "dropped", "from", "almost", "3", "no");
    const known = fc.constantFrom("cold", "hot", "low", "min", "line", "at", "the", "tank");
    fc.assert(
      fc.property(
        fc.array(known, { maxLength: 3 }),
        strange,
        fc.array(known, { maxLength: 3 }),
        (a, word, b) => {
          expect(Array.isArray(read(["level", ...a, word, ...b].join(" ")))).toBe(false);
        },
      ),
    );
  });
});
