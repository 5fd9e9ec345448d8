import { describe, expect, it } from "vitest";
import { checkForm } from "../../shell/forms.ts";
import { MOST_OPEN_SENT, SignForm } from "./sign.form.ts";

const ID = "7d8f4f0e-6d3b-4a51-9f0d-2f6f4b1c9a10";
const sent = (change: Record<string, string> = {}) =>
  checkForm(SignForm, { id: ID, reason: "", openSeen: "[]", openCount: "0", ...change });

describe("signing", () => {
  it("sends the first of what was seen as open, and how many there were", () => {
    const openSeen = JSON.stringify(Array(MOST_OPEN_SENT).fill("bag 2 is one M6×20 short"));
    expect(sent({ openSeen, openCount: "3000" }).value).toMatchObject({ openCount: 3000 });
    expect(new URLSearchParams({ openSeen }).toString().length).toBeLessThan(60_000);
  });

  it.each<Record<string, string>>([
    { openSeen: "{" },
    { openSeen: "{}" },
    { openSeen: "[1]" },
    { openSeen: JSON.stringify(Array(MOST_OPEN_SENT + 1).fill("x")) },
    { openCount: "-1" },
    { openCount: "1e9" },
    { openCount: "" },
    { id: "7" },
    { reason: "x".repeat(2001) },
  ])("is refused with %j", (change) => {
    expect(sent(change).fields).toBeDefined();
  });
});
