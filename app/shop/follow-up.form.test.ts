import { describe, expect, it } from "vitest";
import { USUAL_RULES } from "../../core/trade/follow-ups/index.ts";
import { readRulesForm } from "./follow-up.form.ts";

const rule = { id: "own", words: "look under it", after: "any", days: 3 };

describe("the shop's rules as they are sent", () => {
  it("are taken as they are", () => {
    expect(readRulesForm(JSON.stringify(USUAL_RULES))).toEqual({ rules: [...USUAL_RULES] });
    expect(readRulesForm("[]")).toEqual({ rules: [] });
  });

  it.each([
    undefined,
    null,
    "",
    "{",
    "null",
    "7",
    '"[]"',
    "[null]",
    "[7]",
    "[[]]",
    '[{"__proto__":{"id":"x"}}]',
    JSON.stringify(Array.from({ length: 13 }, (_, index) => ({ ...rule, id: `r${index}` }))),
    `${"[".repeat(5000)}${"]".repeat(5000)}`,
    ...[
      { id: "" },
      { id: "a b" },
      { id: "x".repeat(41) },
      { words: "" },
      { words: "x".repeat(121) },
      { words: 7 },
      { after: "never" },
      { days: -1 },
      { days: 731 },
      { days: 1.5 },
      { days: "3" },
      { days: null },
      { km: 0 },
      { km: 1e9 },
      { km: "500" },
      { more: 1 },
    ].map((wrong) => JSON.stringify([{ ...rule, ...wrong }])),
  ])("%j are refused", (sent) => {
    expect(readRulesForm(sent)).toMatchObject({ trouble: expect.stringMatching(/[.]$/) });
  });
});
