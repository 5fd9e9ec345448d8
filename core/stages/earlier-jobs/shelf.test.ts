import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Entry } from "../../book/entry/index.ts";
import { columnOf, readShelfList, readShelfRow, shelfKey } from "../../trade/shelf/index.ts";
import { doingsKey, doingsOf } from "./doings.ts";

const GOOD = { item: "Radiator", grade: "pattern", supplier: "Tansy & Rudge", price: "149,50", days: "1" };
const troublesOf = (cells: Parameters<typeof readShelfRow>[0]) => {
  const read = readShelfRow(cells, 2);
  return "troubles" in read ? read.troubles : {};
};

describe("a row of the shelf", () => {
  it("is read with comma or point, in minor units, what is left empty is none", () => {
    expect(readShelfRow(GOOD, 2)).toEqual({
      row: {
        kind: "part",
        item: "Radiator",
        grade: "pattern",
        approval: "",
        supplier: "Tansy & Rudge",
        priceCents: 14_950,
        freightCents: 0,
        days: 1,
        partDays: 0,
        labourDays: 0,
      },
    });
    expect(readShelfRow({ ...GOOD, price: "€ 1 149.50" }, 2)).toMatchObject({ row: { priceCents: 114_950 } });
    expect(readShelfRow({ ...GOOD, price: "1200" }, 0)).toMatchObject({ row: { priceCents: 1200 } });
    expect(readShelfRow({ ...GOOD, grade: "Makers" }, 2)).toMatchObject({ row: { grade: "maker's" } });
    expect(readShelfRow({ ...GOOD, kind: "coolant", grade: "OAT" }, 2)).toMatchObject({
      row: { grade: "oat" },
    });
  });

  it.each([
    [{ price: "0" }, "price", /price of 0 is no price/],
    [{ price: "-3" }, "price", /above 0/],
    [{ price: "free" }, "price", /above 0/],
    [{ price: "1e3" }, "price", /above 0/],
    [{ price: "1.149" }, "price", /1149 or 1149.00/],
    [{ price: "1,149" }, "price", /1149 or 1149.00/],
    [{ freight: "1.000" }, "freight", /Freight/],
    [{ price: "" }, "price", /above 0/],
    [{ days: "-1" }, "days", /0 to 365/],
    [{ days: "900" }, "days", /0 to 365/],
    [{ freight: "much" }, "freight", /Freight/],
    [{ grade: "cheap" }, "grade", /One of: maker's/],
    [{ kind: "coolant" }, "grade", /One of: iat/],
    [{ kind: "tyre" }, "kind", /part or a coolant/],
    [{ item: " " }, "item", /1 to 80/],
    [{ supplier: "x".repeat(81) }, "supplier", /1 to 80/],
    [{ approval: "Norm K3" }, "approval", /Only a coolant/],
    [{ kind: "coolant", grade: "oat", approval: "K".repeat(81) }, "approval", /At most 80/],
    [{ part_guarantee_days: "9999" }, "part_guarantee_days", /3650/],
  ] as const)("%j is refused beside its column", (change, column, words) => {
    expect(troublesOf({ ...GOOD, ...change })).toMatchObject({ [column]: expect.stringMatching(words) });
  });

  it("of anything at all is read or refused, never both, never thrown at", () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.constantFrom("item", "grade", "price", "days", "kind"), fc.string()),
        (cells) => {
          const read = readShelfRow(cells, 2);
          expect("row" in read).not.toBe("troubles" in read);
        },
      ),
    );
  });
});

describe("a list of parts", () => {
  const HEAD = ["Part", "Grade", "Supplier", "Price", "Lead time", "Colour"];
  it("knows its columns by what people call them, and names what it leaves out", () => {
    expect(columnOf("\uFEFFPart ")).toBe("item");
    expect(columnOf("part_guarantee_days")).toBe("part_guarantee_days");
    expect(columnOf("colour")).toBeUndefined();
    expect(columnOf("constructor")).toBeUndefined();
    expect(
      readShelfList([HEAD, ["Fan", "used", "Pell Motor Factors", "60", "2", "red"], [""]], 2),
    ).toMatchObject({
      items: [{ item: "Fan", days: 2 }],
      leftOut: ["Colour"],
      unsaid: ["freightCents", "partDays", "labourDays", "approval"],
    });
  });

  it("half of which is wrong is refused whole: which lines, and why each", () => {
    const rows = [
      HEAD,
      ["Fan", "used", "Pell Motor Factors", "60", "2", ""],
      ["Fan", "used", "Pell Motor Factors", "0", "2", ""],
      ["", "used", "Pell Motor Factors", "60", "soon", ""],
      ["fan", "used", "pell motor factors", "61", "2", ""],
      ["Fan"],
    ];
    const read = readShelfList(rows, 2);
    if (!("troubles" in read)) throw new Error("taken in");
    expect(read.troubles.filter(({ line }) => line === 3)).toEqual([
      { line: 3, column: "price", words: "A price of 0 is no price." },
    ]);
    expect(read.troubles.filter(({ line }) => line === 4).map(({ column }) => column)).toEqual([
      "item",
      "days",
    ]);
    expect(read.troubles.filter(({ line }) => line === 5)).toEqual([
      { line: 5, words: "The same as line 2." },
    ]);
    expect(new Set(read.troubles.map(({ line }) => line))).toEqual(new Set([3, 4, 5, 6]));
  });

  it("without its columns, without rows, or with too many is refused in one sentence", () => {
    const first = (rows: string[][]) => {
      const read = readShelfList(rows, 2);
      return "troubles" in read ? read.troubles[0]?.words : "taken in";
    };
    expect(first([])).toMatch(/item, grade, supplier, price, days is missing/);
    expect(first([["item", "grade", "supplier", "price", "price", "days"]])).toMatch(/price is there twice/);
    expect(first([["item", "grade", "supplier", "price", "days"]])).toMatch(/no row/);
    expect(first(Array.from({ length: 5002 }, () => HEAD))).toMatch(/5001 rows; at most 5000/);
  });
});

describe("how a part has done here", () => {
  let seq = 0;
  const entry = (at: string, draft: Partial<Entry>): Entry => ({
    id: `00000000-0000-4000-8000-${String(++seq).padStart(12, "0")}`,
    jobId: "j",
    seq,
    at: `${at}T08:00:00.000Z`,
    by: "p",
    stage: "plan",
    kind: "decision",
    ...draft,
  });
  const bought = (at: string, grade: string) =>
    entry(at, { item: "radiator", data: { fact: "chosen-part", v: 2, grade, supplier: "Tansy & Rudge" } });
  const fitted = (at: string) => entry(at, { kind: "movement", account: "part", item: "radiator", in: 1 });

  it("is told by the books of each vehicle: fitted, sent back, gone again after so many days, still in", () => {
    const sentBack = bought("2030-01-01", "pattern");
    const doings = doingsOf([
      [
        { jobId: "a", entries: [bought("2030-01-01", "pattern"), fitted("2030-01-02")] },
        { jobId: "b", entries: [bought("2030-04-10", "pattern"), fitted("2030-04-12")] },
      ],
      [
        {
          jobId: "c",
          entries: [
            sentBack,
            entry("2030-01-02", {
              data: { fact: "refused-part", v: 1, part: sentBack.id, because: "bent peg" },
            }),
          ],
        },
      ],
    ]);
    expect(doings.get(doingsKey({ item: "Radiator", grade: "pattern", supplier: "tansy & rudge" }))).toEqual({
      fitted: 2,
      returned: 1,
      failed: 1,
      lastedDays: 100,
      inUse: 1,
      extraMinutes: 0,
    });
  });

  it("is nothing where it was never bought, and keys don't mind case", () => {
    expect(doingsOf([]).size).toBe(0);
    const row = { kind: "part" as const, item: "Fan", grade: "used", supplier: "X" };
    expect(shelfKey(row)).toBe(shelfKey({ ...row, item: " fan", supplier: "x " }));
  });
});
