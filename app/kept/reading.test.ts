import type { ClientLoaderFunctionArgs } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

vi.mock("./kept-pages.ts", () => ({
  keepPage: () => Promise.resolve(),
  readPage: () => Promise.resolve({ at: "2026-01-01T08:00:00.000Z", data: "kept" }),
}));

const { isOld, keptReading, onLateReading } = await import("./reading.ts");

/** Loaders of a page whose server answers with `words` after so long, and how often it was asked. */
function page(answers: readonly { words: string; afterMs: number }[]) {
  let asked = 0;
  const serverLoader = () => {
    const answer = answers[asked++];
    return new Promise((resolve) => setTimeout(() => resolve(answer?.words), answer?.afterMs));
  };
  const args = { request: new Request("https://shop.test/"), params: {}, serverLoader };
  const read = keptReading<string>("today/route");
  return { read: () => read(args as unknown as ClientLoaderFunctionArgs), asked: () => asked };
}

describe("a reading that comes late", () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  it("is shown once it has come, without being asked for again", async () => {
    const heard = vi.fn();
    const forget = onLateReading(heard);
    const { read, asked } = page([{ words: "as it is", afterMs: 7000 }]);
    const first = read();
    await vi.advanceTimersByTimeAsync(5100);
    expect(await first).toBe("kept");
    expect(heard).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(2000);
    expect(heard).toHaveBeenCalledOnce();
    expect(isOld("today/route")).toBe(false);
    expect(await read()).toBe("as it is");
    expect(isOld("today/route")).toBe(false);
    expect(asked()).toBe(1);
    forget();
  });

  it("is no news where a later one is under way, which may know more", async () => {
    const heard = vi.fn();
    const forget = onLateReading(heard);
    const { read } = page([
      { words: "before the hold", afterMs: 8000 },
      { words: "with the hold", afterMs: 4000 },
    ]);
    const first = read();
    await vi.advanceTimersByTimeAsync(5100);
    expect(await first).toBe("kept");
    const second = read();
    await vi.advanceTimersByTimeAsync(4000);
    expect(await second).toBe("with the hold");
    expect(heard).not.toHaveBeenCalled();
    forget();
  });
});
