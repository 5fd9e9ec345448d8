import { describe, expect, it } from "vitest";
import { checkEntries } from "./entry.form.ts";

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
const fact = (name: string, fields: object) => ({ fact: name, v: 1, ...fields });
const written = (value: unknown) => JSON.parse(JSON.stringify(value));
const sent = (...entries: unknown[]) => checkEntries({ entries: entries.map(written) });
const trouble = (change: Record<string, unknown>) => sent(entry(change)).fields?.["entries.0.entry"];

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
    ["value", "98"],
    ["text", ["an array"]],
    ["data", ["an array"]],
    ["at", "2031-02-30T09:12:00.000Z"],
    ["at", "20310304"],
    ["wish", 1],
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
    ["wish", true],
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
    const nothing = { out: undefined, account: undefined, item: undefined, place: undefined };
    expect(sent(entry({ corrects: ID, ...nothing })).fields).toBeUndefined();
    const test = { kind: "test", account: undefined, out: undefined };
    const outcome = (id: string) => ({
      fact: "test-outcome",
      v: 1,
      test: "fuses",
      outcome: id,
      verdict: "pass",
    });
    expect(trouble({ ...test, data: outcome("sound") })).toBeUndefined();
    expect(trouble({ ...test, data: outcome("unsure") })).toBeUndefined();
    expect(
      trouble({ ...test, kind: "decision", data: { fact: "cannot-test", v: 1, test: "switch-pot" } }),
    ).toBeUndefined();
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
    [{ out: undefined, corrects: ID }, /names its account/],
    [{ account: "coolant", item: "poured", out: 2 }, /poured goes in/],
    [{ account: "coolant", item: "drained", out: undefined, in: 2 }, /Only what is poured/],
    [{ account: "coolant", item: "wished", out: 2 }, /drained, spilled/],
    [{ kind: "reading", account: undefined, out: undefined, value: 1e6, unit: "°C" }, /from -60 to 400/],
    [{ kind: "reading", account: undefined, out: undefined, value: -5, unit: "km" }, /from 0 to/],
    [
      {
        kind: "test",
        account: undefined,
        out: undefined,
        data: fact("test-outcome", { test: "x-ray", outcome: "pass", verdict: "pass" }),
      },
      /not known here/,
    ],
    [
      {
        kind: "test",
        account: undefined,
        out: undefined,
        data: fact("test-outcome", { test: "fuses", outcome: "melted", verdict: "pass" }),
      },
      /no such outcome/,
    ],
    [
      { kind: "decision", account: undefined, out: undefined, data: fact("cannot-test", { test: "x-ray" }) },
      /not known here/,
    ],
    [
      { kind: "note", account: undefined, out: undefined, data: fact("wait", { waitsFor: "night" }) },
      /kind note can't say/,
    ],
    [
      {
        kind: "decision",
        account: undefined,
        out: undefined,
        data: fact("wait", { waitsFor: "night", until: "20270101" }),
      },
      /date and time/,
    ],
    [{ kind: "decision", account: undefined, out: undefined, data: fact("wish", {}) }, /not known here/],
    [{ kind: "note", account: undefined, out: undefined, text: "a\u0000b" }, /NUL/],
    [{ kind: "note", account: undefined, out: undefined, text: "a\ud800b" }, /half a sign/],
  ] as const)("%j", (change, says) => {
    expect(trouble(change)).toMatch(says);
  });
});
