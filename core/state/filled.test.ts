import { describe, expect, it } from "vitest";
import { book, coolant } from "../book/entry/book.fixture.ts";
import type { Entry } from "../book/entry/index.ts";
import { dataOf, MixRead } from "../book/facts/index.ts";
import { methodsFor } from "../trade/bleed/index.ts";
import { boilingPointC } from "../trade/coolant/index.ts";
import { bledVehicle } from "./bled-vehicle.ts";
import { changedSystem } from "./changed-system.ts";

const changed = (...drafts: Partial<Entry>[]) => changedSystem(book(drafts));

describe("what changes a system, so that its level begins anew", () => {
  it.each<[string, Partial<Entry>[], boolean]>([
    ["nothing", [], false],
    ["a top-up", [coolant("poured", 0.3)], false],
    ["a spill", [coolant("spilled", 0.6)], false],
    ["what was missing as it came", [coolant("missing", 1)], false],
    ["a drain", [coolant("drained", 4), coolant("poured", 4)], true],
    ["a fill", [coolant("poured", 2)], true],
    ["another size", [coolant("capacity", 0.2)], true],
    ["coolant left in old parts", [coolant("kept", 0.7)], true],
  ])("%s", (_, drafts, wanted) => expect(changed(...drafts)).toBe(wanted));

  it("is told by what stands: a struck drain changes nothing", () => {
    expect(changed(coolant("drained", 4), { kind: "movement", corrects: "e1" })).toBe(false);
  });
});

describe("the limit with the cap off", () => {
  const card = {
    fillPoint: "radiator cap",
    bleedPoints: "",
    fanOnC: [110],
    capacityL: 8,
    targetFraction: 0.5,
    coolantKind: "oat",
  };
  const limitOf = (shopM: number, ...drafts: Partial<Entry>[]) =>
    methodsFor(bledVehicle(book(drafts), card, shopM)).find(({ school }) => school === "open-cap")?.limitC ??
    0;
  const water: Partial<Entry> = {
    kind: "reading",
    item: "coolant strength",
    data: dataOf(MixRead, { fraction: 0, base: "ethylene" }),
  };

  it("is below where what is in it boils, not what its card asks for", () => {
    expect(limitOf(0, water)).toBeLessThan(boilingPointC("ethylene", 0, 101.325));
    expect(limitOf(0)).toBeGreaterThan(limitOf(0, water));
    expect(limitOf(1600, water)).toBeLessThan(limitOf(0, water) - 3);
  });
});
