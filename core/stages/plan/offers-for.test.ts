import { describe, expect, it } from "vitest";
import { decided, decidedInWords } from "../../book/acts/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import { offersFor } from "./offers-for.ts";

const SHELF = [
  ...["radiator", "radiator cap", "fan assembly", "fan motor", "fan plug", "thermal switch", "switch plug"],
  ...["thermostat", "thermostat housing", "upper hose", "coolant sensor", "fan relay", "water pump", "belt"],
].map((item) => ({ item }));
const names = (draft: Parameters<typeof book>[0][number]) =>
  offersFor(book([draft]), SHELF).map(({ item }) => item);

describe("what the shelf has for a finding", () => {
  it.each([
    ["motor", ["fan assembly", "fan motor"]],
    ["switch-open", ["thermal switch"]],
    ["plug-switch", []],
    ["relay-coil", ["fan relay"]],
    ["cap-weak", ["radiator cap"]],
    ["leak-radiator", ["radiator"]],
    ["leak-housing", ["thermostat housing"]],
    ["leak-hose", ["upper hose"]],
  ])("%s: %j", (hypothesis, items) => expect(names(decided(hypothesis, "as tested"))).toEqual(items));

  it("goes by a person's own words, and wants nothing where nothing is wrong", () => {
    expect(names(decidedInWords("fault", "the thermostat sticks"))).toEqual(["thermostat"]);
    expect(names(decidedInWords("nothing-wrong", ""))).toEqual([]);
    expect(offersFor([], SHELF)).toEqual([]);
  });
});
