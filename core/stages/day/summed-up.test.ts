import { describe, expect, it } from "vitest";
import { readyAsTold, summedUp, type WorkedJob } from "./summed-up.ts";

const job = (number: number, model: string, real: number, told?: WorkedJob["told"]): WorkedJob => ({
  jobId: `${number}`,
  number,
  model,
  worked: [{ stage: "find", estimated: 30, real }],
  ...(told && { told }),
});

describe("a shop's work, summed up", () => {
  it("says what the middle job took, and of a model with few jobs that there are too few", () => {
    const jobs = [20, 30, 40, 60, 45].map((real, index) => job(index, "Brindle Wayfarer", real));
    const [find] = summedUp([...jobs, job(9, "Quillon Finch", 300)]);
    expect(find?.ratios).toHaveLength(6);
    expect(find?.spread?.middle).toBeGreaterThan(1.2);
    expect(find?.spread?.middle).toBeLessThan(1.6);
    expect(find?.models.map(({ model, count, spread }) => [model, count, spread !== undefined])).toEqual([
      ["Brindle Wayfarer", 5, true],
      ["Quillon Finch", 1, false],
    ]);
    expect(summedUp([])).toEqual([]);
  });

  it("counts cars that were ready as told, and never credits an early one against a late one", () => {
    const at = "2031-03-04T16:00:00.000Z";
    const signed = (clock: string) => ({ at, signedAt: `2031-03-04T${clock}:00.000Z` });
    const jobs = [job(1, "a", 30, signed("12:00")), job(2, "a", 30, signed("16:30")), job(3, "a", 30)];
    expect(readyAsTold(jobs)).toEqual({ told: 2, inTime: 1, lateMinutes: 30 });
    expect(readyAsTold([])).toEqual({ told: 0, inTime: 0, lateMinutes: 0 });
  });
});
