import { describe, expect, it } from "vitest";
import { moneyOf } from "./money.ts";

describe("money", () => {
  it.each([
    [12_345, "EUR", "€123.45"],
    [12_345, "GBP", "£123.45"],
    [12_345, "USD", "US$123.45"],
    [-50, "EUR", "-€0.50"],
    // A currency without minor units, and one of three places.
    [12_345, "JPY", "JP¥12,345"],
    [12_345, "KWD", "KWD\u00a012.345"],
  ])("%d of %s is %s", (minor, currency, shown) => expect(moneyOf(minor, currency)).toBe(shown));
});
