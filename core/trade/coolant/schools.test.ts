import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compatibility } from "./compatibility.ts";
import { KINDS } from "./kinds.ts";
import { bySchool, COOLANT_SCHOOLS } from "./schools.ts";

const given = { takes: "oat", goesIn: "oat", isCardsLabel: true, isFlushed: false } as const;

describe("the schools of coolant", () => {
  it.each([
    ["maker's only", {}, "pass"],
    ["maker's only", { isCardsLabel: false }, "fail"],
    ["maker's only", { goesIn: "iat" }, "fail"],
    ["same label", {}, "pass"],
    ["same label", { isCardsLabel: false }, "fail"],
    ["all-makes, flushed", {}, "fail"],
    ["all-makes, flushed", { isFlushed: true, isCardsLabel: false, goesIn: "hoat" }, "pass"],
  ] as const)("%s with %o: %s", (school, more, verdict) => {
    expect(bySchool({ ...given, school, ...more }).verdict).toBe(verdict);
  });

  it("call unlike kinds right by none while any of the old is in", () => {
    const kind = fc.constantFrom(...KINDS);
    fc.assert(
      fc.property(
        kind,
        kind,
        fc.constantFrom(...COOLANT_SCHOOLS),
        fc.boolean(),
        (takes, goesIn, school, isCardsLabel) => {
          const { verdict, because } = bySchool({ school, takes, goesIn, isCardsLabel, isFlushed: false });
          if (compatibility(takes, goesIn).verdict !== "same") expect(verdict).toBe("fail");
          expect(because).not.toMatch(/colour|red|blue|green/i);
        },
      ),
    );
  });
});
