import { expose } from "comlink";
import { afterEach, describe, expect, it, vi } from "vitest";
import { isHere, openThread, type Present } from "./thread.ts";

interface Work extends Present {
  add: (a: number, b: number) => number | Promise<number>;
}

const here = vi.fn(async () => ({ add: (a: number, b: number) => a + b }));

/** What a browser gives for a worker, over a channel; `work` answers at its other end, or nobody does. */
function worker(work?: Work) {
  const { port1, port2 } = new MessageChannel();
  if (work) expose(work, port2 as never);
  port1.start();
  const breaks = new EventTarget();
  const terminate = vi.fn(() => {
    port1.close();
    port2.close();
  });
  const given = {
    terminate,
    postMessage: port1.postMessage.bind(port1),
    addEventListener: (name: string, told: EventListener) =>
      (name === "error" ? breaks : port1).addEventListener(name, told as never),
    removeEventListener: (name: string, told: EventListener) =>
      port1.removeEventListener(name, told as never),
  };
  return { start: () => given as unknown as Worker, breaks, terminate };
}

afterEach(() => {
  vi.useRealTimers();
  here.mockClear();
});

describe("a thread", () => {
  it("works here where the browser starts no worker", async () => {
    const { ask } = openThread<Work>(() => {
      throw new Error("no modules in workers");
    }, here);
    expect(await ask(({ add }) => add(2, 3))).toBe(5);
    expect(here).toHaveBeenCalledOnce();
  });

  it("works here where the worker's script can't be had", async () => {
    const { start, breaks, terminate } = worker();
    const { ask, close } = openThread<Work>(start, here);
    breaks.dispatchEvent(new Event("error"));
    expect(await ask(({ add }) => add(2, 3))).toBe(5);
    close();
    expect(terminate).toHaveBeenCalledOnce();
  });

  it("works here where a worker says nothing at all", async () => {
    vi.useFakeTimers();
    const { start, terminate } = worker();
    const { ask } = openThread<Work>(start, here);
    const answer = ask(({ add }) => add(2, 3));
    await vi.advanceTimersByTimeAsync(2100);
    expect(await answer).toBe(5);
    terminate();
  });

  it("gives the next question to a worker that was slow to start, and works here meanwhile", async () => {
    let begin: (is: true) => void = () => undefined;
    const begun = new Promise<true>((tell) => {
      begin = tell;
    });
    const work = { isHere: () => begun as never, add: (a: number, b: number) => a * 100 + b };
    const { start, terminate } = worker(work);
    const { ask } = openThread<Work>(start, here);
    vi.useFakeTimers({ toFake: ["setTimeout"] });
    const first = ask(({ add }) => add(2, 3));
    await vi.advanceTimersByTimeAsync(2100);
    expect(await first).toBe(5);
    vi.useRealTimers();
    begin(true);
    expect(await ask(({ add }) => add(2, 3))).toBe(203);
    expect(here).toHaveBeenCalledOnce();
    terminate();
  });

  it("waits for a worker that is there, however long its work takes, and does nothing twice", async () => {
    let done: (sum: number) => void = () => undefined;
    const { start, terminate } = worker({
      isHere,
      add: (a, b) => new Promise((tell) => (done = () => tell(a * 100 + b))),
    });
    const { ask } = openThread<Work>(start, here);
    const answer = ask(({ add }) => add(2, 3));
    await vi.waitFor(() => expect(done.length).toBe(0));
    await new Promise((rest) => setTimeout(rest, 50));
    done(0);
    expect(await answer).toBe(203);
    expect(here).not.toHaveBeenCalled();
    terminate();
  });

  it("does here what a worker broke over, and passes on what the work refuses", async () => {
    const { start, breaks, terminate } = worker({
      isHere,
      add: (a) => {
        if (a < 0) throw new RangeError("below nought");
        return new Promise(() => undefined);
      },
    });
    const { ask } = openThread<Work>(start, here);
    await expect(ask(({ add }) => add(-1, 3))).rejects.toThrow("below nought");
    const answer = ask(({ add }) => add(2, 3));
    await new Promise((rest) => setTimeout(rest, 20));
    breaks.dispatchEvent(new Event("error"));
    expect(await answer).toBe(5);
    terminate();
  });
});
