import { workAfterBookings } from "../threads/after-bookings.ts";

workAfterBookings();

/** For tests of work beside the server: takes memory or time without end, fails, or says who it is. */
export default async function greedy(what: "memory" | "time" | "fail" | "who"): Promise<number> {
  const taken: string[] = [];
  while (what === "memory") taken.push(Math.random().toString().repeat(10_000));
  for (let n = 0; what === "time"; n++) if (n < 0) break;
  if (what === "fail") throw new RangeError("not so");
  return process.pid;
}
