import { describe, expect, it } from "vitest";
import type { Account, Entry } from "../../book/entry/index.ts";
import { WAYS_BACK } from "../../trade/order/index.ts";
import { type CameOff, comesOffWith, stepOf } from "./index.ts";

const thing = (account: Account, item: string, place = "", count = 1, where?: string): CameOff => ({
  account,
  item,
  place,
  count,
  ...(where ? { where } : {}),
});
const out = (each: CameOff): Entry => ({
  id: `${each.account} ${each.item} ${each.place}`,
  jobId: "job",
  seq: 1,
  at: "2031-03-06T08:00:00.000Z",
  by: "tobin",
  stage: "strip",
  kind: "movement",
  account: each.account,
  item: each.item,
  place: each.place,
  out: each.count,
});

/** As they are written at cars: a bag's words, a plug's place, a part's name. */
const SAID: [CameOff, string | undefined][] = [
  [thing("fastener", "M6×20", "bag 1", 4, "airbox"), "intake"],
  [thing("fastener", "M6×20", "bag 1", 2, "air box, 10 mm"), "intake"],
  [thing("clip", "clip", "bag 2", 6, "undertray"), "undertray"],
  [thing("fastener", "screw", "bag 2", 8, "splash shield, T25"), "undertray"],
  [thing("clip", "push pin", "bag 3", 4, "bumper top"), "bumper"],
  [thing("connector", "plug", "left fan"), "plugs"],
  [thing("connector", "plug", "left fog lamp"), "lamps"],
  [thing("connector", "plug", "right marker light"), "lamps"],
  [thing("fastener", "M6×25", "bag 4", 4, "shroud, 10 mm"), "fan"],
  [thing("fastener", "M8×25", "bag 5", 2, "radiator bracket"), "radiator"],
  [thing("line-cap", "cap", "oil cooler line"), "oil-lines"],
  [thing("fastener", "M8×30", "bag 6", 2, "condenser"), "condenser"],
  [thing("clip", "clamp", "", 2, "upper hose"), "hoses"],
  [thing("part", "grille shutters"), "shutters"],
  [thing("fastener", "nut", "bag 7", 1, "battery strap"), "battery"],
  [thing("fastener", "M6×20", "bag 8", 1), undefined],
];

describe("what comes off with a step", () => {
  it.each(SAID)("%j", (each, step) => {
    expect(stepOf(each)).toBe(step);
    if (step) expect(Object.keys(WAYS_BACK)).toContain(step);
  });

  it("is asked for as the last job on the model had it, by count and side", () => {
    const last = [thing("connector", "plug", "right fan"), thing("connector", "plug", "switch", 2)];
    expect(comesOffWith("plugs", last, [])).toEqual(last.map((each) => ({ ...each, from: "last job" })));
  });

  it("is offered without a count where nobody knows the car, and nothing is made up elsewhere", () => {
    const asked = comesOffWith("plugs", [], []);
    expect(asked.map(({ count, from }) => `${count} ${from}`)).toEqual(Array(4).fill("0 usual"));
    for (const step of Object.keys(WAYS_BACK).filter((each) => each !== "plugs"))
      expect(comesOffWith(step, [], [])).toEqual([]);
  });

  it("leaves out what the step writes out itself, what is out now, and tools", () => {
    const last = [
      thing("part", "shroud"),
      thing("fastener", "M6×25", "bag 4", 4, "shroud"),
      thing("fastener", "M6×20", "bag 9", 2, "fan"),
      thing("tool", "fan spanner"),
    ];
    const book = [out(thing("fastener", "M6×20", "bag 9", 2))];
    expect(comesOffWith("fan", last, book).map(({ place }) => place)).toEqual(["bag 4"]);
  });
});
