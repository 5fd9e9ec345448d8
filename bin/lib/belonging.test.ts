import { expect, it } from "vitest";
import { belonging } from "./belonging.mjs";

it("finds what tests a path on every floor, and nothing of another's", () => {
  const of = Object.fromEntries(belonging(["core/stages/find"]) as [string, string[]][]);
  expect(of.core?.every((file) => file.startsWith("core/") && file.includes("find"))).toBe(true);
  expect(of.views).toEqual(["views/find.test.ts"]);
  expect(Object.keys(Object.fromEntries(belonging(["core/trade/leaks"]) as [string, string[]][]))).toEqual([
    "core",
  ]);
  expect(belonging(["no/such/path-at-all"])).toEqual([]);
});
