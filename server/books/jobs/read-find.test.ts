import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { dataOf, TestOutcome } from "../../../core/book/facts/index.ts";
import { beliefOf, keyOf, type PlanQuestion, planOf } from "../../../core/stages/find/index.ts";
import { readBook } from "../../entries/read-books.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { readFind, withPlan } from "./read-find.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const NOW = "2030-06-01T12:00:00.000Z";

describe("readFind", () => {
  it("answers the very question that the page asks from the same book", async () => {
    const shop = await smallShop(scratch, "Same");
    await shop.book({
      stage: "find",
      kind: "test",
      item: "Look and listen",
      data: dataOf(TestOutcome, { test: "look", outcome: "dry", verdict: "pass" }),
    });
    const read = await shop.at((desk) => readFind(desk, shop.jobId, NOW));
    const { planned, histories, notOnThisCar } = withPlan(read);
    const entries = await shop.at((desk) => readBook(desk, shop.jobId));
    const belief = beliefOf(entries, "switch-1", {
      history: histories["switch-1"] ?? {},
      notOnThisCar,
      now: NOW,
    });
    expect(belief.evidence.length).toBe(1);
    expect(planned?.key).toBe(keyOf(belief.question));
    expect(planned?.plan.actions[0]?.kind).toBe("test");
  });

  it("tells the same plan after its question went to a worker and back", async () => {
    const shop = await smallShop(scratch, "Travels");
    const { question } = await shop.at((desk) => readFind(desk, shop.jobId, NOW));
    const travelled: PlanQuestion = JSON.parse(JSON.stringify(question));
    expect(keyOf(travelled)).toBe(question && keyOf(question));
    expect(planOf(travelled)).toEqual(question && planOf(question));
  });

  it("asks another question for every result, reason, heat or weight that moves", async () => {
    const shop = await smallShop(scratch, "Moves");
    const { question } = await shop.at((desk) => readFind(desk, shop.jobId, NOW));
    if (!question) throw new Error("a circuit is on the card");
    const [first] = question.weights;
    const others: PlanQuestion[] = [
      { ...question, evidence: [{ test: "fuses", outcome: "good" }] },
      { ...question, withheld: ["fuses"] },
      { ...question, heat: "hot" },
      { ...question, level: "low" },
      { ...question, isAfterRed: true },
      { ...question, ruledOut: ["motor"] },
      {
        ...question,
        weights: [{ id: first?.id ?? "", weight: (first?.weight ?? 0) * 2 }, ...question.weights.slice(1)],
      },
    ];
    expect(new Set([question, ...others].map(keyOf)).size).toBe(others.length + 1);
  });
});
