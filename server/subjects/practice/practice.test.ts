import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { hide, plannersWay } from "../../../core/trade/practice/index.ts";
import { Refusal } from "../../desk/refusal.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { keepRound, type RoundHandedIn } from "./keep-round.ts";
import { readOwnPractice, readShopsPractice } from "./read-practice.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

/** A round as the planner plays it: over, and as a person may hand it in. */
function round(seed: number, given: Partial<RoundHandedIn> = {}): RoundHandedIn {
  const way = plannersWay(hide(1, "finch", seed));
  return {
    id: randomUUID(),
    level: 1,
    carKey: "finch",
    seed,
    acts: way.done.map(({ act }) => act),
    plannerCents: way.account.cents(),
    hadHelp: false,
    ...given,
  };
}
const givenUp = (seed: number) => round(seed, { acts: [{ do: "give-up" }] });

describe("rounds of practice", () => {
  it("are kept once for whoever played them, with what came of them told by the acts alone", async () => {
    const { at, people } = await smallShop(scratch, "Keld");
    const handed = round(11);
    await at((desk) => keepRound(desk, handed));
    await at((desk) => keepRound(desk, handed));
    const [kept, ...more] = await at(readOwnPractice);
    expect(more).toEqual([]);
    expect(kept).toMatchObject({
      id: handed.id,
      faults: hide(1, "finch", 11).faults,
      ended: "found",
      cents: handed.plannerCents,
      hasBoiled: false,
      openedHot: 0,
    });
    expect(await at(readOwnPractice, people.lead)).toEqual([]);
  });

  it("are refused where they aren't over, can't have been played, or stand under another's id", async () => {
    const { at, people } = await smallShop(scratch, "Sike");
    const refused = (given: RoundHandedIn, by?: string) =>
      expect(at((desk) => keepRound(desk, given), by)).rejects.toThrow(Refusal);
    await refused(round(3, { acts: [] }));
    await refused(round(3, { level: 9 }));
    await refused(round(3, { carKey: "barge" }));
    await refused(round(3, { seed: -4 }));
    await refused(round(3, { acts: [{ do: "test", id: "crystal-ball" }] }));
    await refused(round(3, { acts: [{ do: "give-up" }, { do: "night" }] }));
    const own = givenUp(3);
    await at((desk) => keepRound(desk, own));
    await refused(own, people.lead);
    expect(await at(readOwnPractice, people.lead)).toEqual([]);
  });

  it("of a car with nothing wrong are kept as that, and told so", async () => {
    const { at, people } = await smallShop(scratch, "Gill");
    const seed = Array.from({ length: 99 }, (_, each) => each).find(
      (each) => hide(2, "finch", each).faults.length === 0,
    );
    await at((desk) =>
      keepRound(desk, {
        ...givenUp(1),
        level: 2,
        seed: seed ?? 0,
        acts: [{ do: "repair", id: "hand-back" }],
      }),
    );
    expect(await at(readOwnPractice)).toMatchObject([{ faults: [], ended: "handed-back", isRight: true }]);
    expect(await at(readShopsPractice, people.lead)).toMatchObject([{ fault: "", rounds: 1, right: 1 }]);
  });

  it("tell a lead by fault what is hard here, of this shop alone and without a name", async () => {
    const { at, people } = await smallShop(scratch, "Rigg");
    const other = await smallShop(scratch, "Yore");
    await other.at((desk) => keepRound(desk, givenUp(20)));
    const seeds = [20, 21, 22, 23, 24, 25];
    const wanted = new Map<string, { rounds: number; right: number }>();
    for (const [index, seed] of seeds.entries()) {
      const handed = index % 2 === 0 ? givenUp(seed) : round(seed);
      const isRight = index % 2 === 1 && plannersWay(hide(1, "finch", seed)).isRight;
      await at((desk) => keepRound(desk, handed), index < 3 ? people.technician : people.lead);
      for (const fault of hide(1, "finch", seed).faults) {
        const each = wanted.get(fault) ?? { rounds: 0, right: 0 };
        wanted.set(fault, { rounds: each.rounds + 1, right: each.right + (isRight ? 1 : 0) });
      }
    }
    const read = await at(readShopsPractice, people.lead);
    expect(new Map(read.map(({ fault, rounds, right }) => [fault, { rounds, right }]))).toEqual(wanted);
    const shares = read.map(({ rounds, right }) => right / rounds);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(JSON.stringify(read)).not.toContain(people.technician);
  });
});
