import { describe, expect, it } from "vitest";
import { checkForm } from "../../desk/forms.ts";
import { openSent, SignForm } from "./sign.form.ts";

const ID = "7d8f4f0e-6d3b-4a51-9f0d-2f6f4b1c9a10";
const sent = (change: Record<string, unknown> = {}) =>
  checkForm(SignForm, { id: ID, reason: "", openSeen: [], openCount: 0, ...change });

describe("signing", () => {
  it.each([
    ["short Latin", "bag 2 is one M6×20 short"],
    ["long Latin", "bag 2 is one short: ".repeat(12)],
    ["long Cyrillic", "не вернулся кронштейн под решёткой ".repeat(6)],
    ["signs of three bytes", "水箱支架没有装回去".repeat(25)],
    ["a name of quotes", '"\u0022\u0022'.repeat(40)],
  ])("sends what fits of three thousand open things in %s, and how many there were", (_, words) => {
    const open = Array.from({ length: 3000 }, (_, index) => `${index} ${words}`);
    const openSeen = openSent(open);
    expect(openSeen.length).toBeGreaterThan(5);
    expect(open.slice(0, openSeen.length)).toEqual(openSeen);
    const form = { openSeen, openCount: 3000, reason: "水".repeat(2000) };
    expect(sent(form).value).toMatchObject({ openSeen, openCount: 3000 });
    expect(Buffer.byteLength(JSON.stringify({ id: ID, ...form }))).toBeLessThan(64_000);
  });

  it("sends the whole of a short list, and of none", () => {
    expect(openSent(["one", "two"])).toEqual(["one", "two"]);
    expect(openSent([])).toEqual([]);
  });

  it.each<Record<string, unknown>>([
    { openSeen: "{" },
    { openSeen: {} },
    { openSeen: [1] },
    { openSeen: Array(151).fill("x") },
    { openCount: -1 },
    { openCount: 1e9 },
    { openCount: 0.5 },
    { openCount: "0" },
    { id: "7" },
    { reason: "x".repeat(2001) },
  ])("is refused with %j", (change) => {
    expect(sent(change).fields).toBeDefined();
  });
});
