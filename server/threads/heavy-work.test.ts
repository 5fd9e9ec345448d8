import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { heavyWork, TooHeavy } from "./heavy-work.ts";

const work = heavyWork<"memory" | "time" | "fail" | "who", number>({
  file: "server/testing/greedy.process.ts",
  longestMs: 20_000,
  mostMegabytes: 120,
});

describe("heavy work", () => {
  it("is done in a process beside, one after the other, which gives the processor up to others", async () => {
    const [first, second] = await Promise.all([work.run("who"), work.run("who")]);
    expect(second).toBe(first);
    expect(first).not.toBe(process.pid);
    if (process.platform === "linux")
      // The nineteenth field is how far it stands back.
      expect(readFileSync(`/proc/${first}/stat`, "utf8").split(") ")[1]?.split(" ")[16]).toBe("10");
  });

  it("that takes too long, or too much memory, ends its process and nothing else", async () => {
    const before = await work.run("who");
    await expect(work.run("time", 300)).rejects.toBeInstanceOf(TooHeavy);
    const after = await work.run("who");
    expect(after).not.toBe(before);
    await expect(work.run("memory")).rejects.toBeInstanceOf(TooHeavy);
    expect(await work.run("who")).not.toBe(after);
  });

  it("that fails says so, and one whose process was killed meanwhile is done by another", async () => {
    await expect(work.run("fail")).rejects.toThrow("not so");
    const pid = await work.run("who");
    process.kill(pid, "SIGKILL");
    await expect.poll(() => work.run("who").catch(() => pid), { timeout: 10_000 }).not.toBe(pid);
  });
});
