import { describe, expect, it } from "vitest";
import { compareOptions } from "../../../../core/trade/sourcing/index.ts";
import {
  emptyOption,
  isUntouched,
  type OptionFields,
  readOption,
  readTerms,
  START,
} from "./option-fields.ts";

const TYPED: OptionFields = {
  ...emptyOption("1", "pattern"),
  supplier: "Tansy & Rudge",
  price: "149,50",
  freight: "9",
  days: "1",
};
const troubles = (change: Partial<OptionFields>) => {
  const read = readOption({ ...TYPED, ...change }, 3, 2);
  return "troubles" in read ? Object.keys(read.troubles) : [];
};

describe("an option as it is typed", () => {
  it("is read with comma or point, in the money of the shop", () => {
    expect(readOption(TYPED, 3.5, 2)).toMatchObject({
      option: {
        priceCents: 14_950,
        freightCents: 900,
        days: 1,
        fitHours: 3.5,
        guarantee: { partDays: 365, labourDays: 0 },
      },
    });
    expect(readOption({ ...TYPED, price: "14 950" }, 3, 0)).toMatchObject({ option: { priceCents: 14_950 } });
    expect(readOption({ ...TYPED, price: "14.95" }, 3, 3)).toMatchObject({ option: { priceCents: 14_950 } });
  });

  it("takes no freight and no waiting for none", () => {
    expect(readOption({ ...TYPED, freight: "", days: " " }, 3, 2)).toMatchObject({
      option: { freightCents: 0, days: 0 },
    });
  });

  it.each<[string, Partial<OptionFields>, string[]]>([
    ["a price of zero", { price: "0" }, ["price"]],
    ["no price", { price: "" }, ["price"]],
    ["words", { price: "about 90" }, ["price"]],
    ["a machine's figure", { price: "1e3" }, ["price"]],
    ["a price below nothing", { price: "-5" }, ["price"]],
    ["days before it is ordered", { days: "-2" }, ["days"]],
    ["a year and a day", { days: "366" }, ["days"]],
    ["nobody who sells it", { supplier: "  " }, ["supplier"]],
    ["a grade nobody knows", { grade: "gold" }, ["grade"]],
    [
      "everything wrong at once",
      { price: "x", freight: "x", days: "x", supplier: "" },
      ["price", "freight", "days", "supplier"],
    ],
  ])("is refused with %s, beside its own field", (_, change, fields) =>
    expect(troubles(change)).toEqual(fields),
  );

  it("says of a price of zero what to do", () => {
    expect(readOption({ ...TYPED, price: "0,00" }, 3, 2)).toMatchObject({
      troubles: { price: expect.stringMatching(/leave it empty/) },
    });
  });

  it("that nobody has typed into is not called wrong", () => {
    expect(isUntouched(emptyOption("9", "used"))).toBe(true);
    expect(isUntouched(TYPED)).toBe(false);
  });
});

describe("the terms", () => {
  it("start as something that can be compared under", () => {
    const read = readTerms(START.terms, 2);
    const option = readOption(TYPED, 3, 2);
    if (!("terms" in read) || !("option" in option)) throw new Error("both are sound");
    expect(read.terms).toMatchObject({ hourCents: 6000, dayOffRoadCents: 4000, horizonDays: 730 });
    expect(compareOptions([option.option], { ...read.terms, draws: 10 })).toHaveLength(1);
  });

  it.each([
    [{ hours: "0" }, "hours"],
    [{ hours: "a day" }, "hours"],
    [{ months: "0" }, "months"],
    [{ hourPrice: "" }, "hourPrice"],
    [{ dayPrice: "-1" }, "dayPrice"],
  ])("refuse %j", (change, field) => {
    expect(readTerms({ ...START.terms, ...change }, 2)).toMatchObject({
      troubles: { [field]: expect.any(String) },
    });
  });
});
