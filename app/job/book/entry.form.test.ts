import { describe, expect, it } from "vitest";
import { checkForm } from "../../shell/forms.ts";
import { EntriesForm, entryTrouble } from "./entry.form.ts";

const ID = "7d8f4f0e-6d3b-4a51-9f0d-2f6f4b1c9a10";
const entry = (change: Record<string, unknown> = {}) => ({
  id: ID,
  at: "2031-03-04T09:12:00.000Z",
  stage: "strip",
  kind: "movement",
  account: "fastener",
  item: "M6×20",
  place: "bag 2",
  out: 3,
  ...change,
});
const sent = (...entries: unknown[]) => checkForm(EntriesForm, { entries });
const trouble = (change: Record<string, unknown>) => {
  const { value } = sent(entry(change));
  const [first] = value?.entries ?? [];
  return first ? entryTrouble(first) : "refused before";
};

describe("entries as a browser sends them", () => {
  it("come through whole", () => {
    const { value } = sent(
      entry(),
      entry({ kind: "note", account: undefined, out: undefined, text: "trail" }),
    );
    expect(value?.entries).toHaveLength(2);
    expect(value?.entries[0]).toMatchObject({ account: "fastener", out: 3 });
  });

  it.each([
    ["stage", "wash"],
    ["kind", "wish"],
    ["account", "money"],
    ["at", "yesterday"],
    ["out", "3"],
    ["out", -1],
    ["out", 1001],
    ["value", Number.POSITIVE_INFINITY],
    ["unit", "furlong"],
    ["item", ""],
    ["text", "x".repeat(2001)],
    ["corrects", "e1"],
  ])("are refused for %s of %s, by the field's name", (field, value) => {
    const { fields } = sent(entry({ [field]: value }));
    expect(Object.keys(fields ?? {})[0]).toBe(`entries.0.${field}`);
  });

  it.each([
    ["verdict", "maybe"],
    ["fraction", 2],
    ["chips", ["x".repeat(61)]],
    ["chips", Array(21).fill("hot")],
    ["grade", "golden"],
    ["hypothesis", "gremlin"],
    ["circuit", "steam"],
    ["logId", ID],
    ["signed", true],
  ])("are refused for data with %s of %s", (field, value) => {
    expect(sent(entry({ data: { [field]: value } })).fields).toBeDefined();
  });

  it("are refused in more than fifty, and in none", () => {
    expect(sent(...Array.from({ length: 51 }, () => entry())).fields).toBeDefined();
    expect(sent().fields).toBeDefined();
  });
});

describe("what no field of an entry can say alone", () => {
  it("finds nothing wrong with what people book", () => {
    expect(trouble({})).toBeUndefined();
    expect(trouble({ account: "coolant", item: "drained", out: 5.2, unit: "L" })).toBeUndefined();
    expect(trouble({ corrects: ID, out: undefined, account: undefined, item: undefined })).toBeUndefined();
    const test = { kind: "test", account: undefined, out: undefined };
    expect(trouble({ ...test, data: { test: "fuses", outcome: "sound", verdict: "pass" } })).toBeUndefined();
    expect(trouble({ ...test, data: { test: "fuses", outcome: "unsure" } })).toBeUndefined();
    expect(trouble({ ...test, kind: "decision", data: { cannot: "switch-pot" } })).toBeUndefined();
  });

  it.each([
    [{ in: 2 }, /out or in, not both/],
    [{ account: undefined }, /names its account/],
    [{ kind: "note" }, /Only movements/],
    [{ out: 1.5 }, /whole/],
    [{ kind: "reading", account: undefined, out: undefined, value: 98 }, /wants its unit/],
    [
      { kind: "note", account: undefined, out: undefined, item: undefined, place: undefined },
      /Nothing is said/,
    ],
    [
      { kind: "test", account: undefined, out: undefined, data: { test: "x-ray", outcome: "pass" } },
      /not known here/,
    ],
    [
      { kind: "test", account: undefined, out: undefined, data: { test: "fuses", outcome: "melted" } },
      /no such outcome/,
    ],
    [{ kind: "test", account: undefined, out: undefined, data: { outcome: "sound" } }, /names its test/],
    [{ kind: "decision", account: undefined, out: undefined, data: { cannot: "x-ray" } }, /not known here/],
  ] as const)("%j", (change, says) => {
    expect(trouble(change)).toMatch(says);
  });
});
