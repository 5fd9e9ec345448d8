import { describe, expect, it } from "vitest";
import { lastsWords } from "./lasts-words.ts";
import type { PartSpan } from "./lives.ts";

const span = (days: number, isOver: boolean): PartSpan =>
  ({ part: "radiator", grade: "pattern", days, isOver }) as unknown as PartSpan;

describe("where the odds of a grade come from", () => {
  it("is said: too few of this shop's own, then what is usual", () => {
    expect(lastsWords([], "radiator", "pattern")).toBe(
      "Pattern: too few here to say; what is usual is reckoned with.",
    );
    expect(lastsWords([span(400, true)], "fan", "all-metal")).toMatch(/^All-metal: too few/);
  });
});
