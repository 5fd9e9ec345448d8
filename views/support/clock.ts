import { vi } from "vitest";

/** A turn of the machine itself, which no page's clock holds up. */
const { setTimeout: machineTimeout, setImmediate: machineTurn } = process.getBuiltinModule("node:timers");

/** What a page has asked of the shop and has no answer to yet: while one is under way no time passes in the page. */
const underWay = new Set<string>();

/** Does what a page asks the shop for under this name. */
export async function counted<Result>(name: string, work: () => Promise<Result>): Promise<Result> {
  const asked = `${name} #${++serial}`;
  underWay.add(asked);
  try {
    return await work();
  } finally {
    underWay.delete(asked);
  }
}
let serial = 0;

/** Lets React, promises and the database have their turn. */
const turn = () => new Promise<void>((resolve) => machineTurn(resolve));

const STEP_MS = 50;
/** So much passes for whoever waits: every rest, slip and pause of the program is over by then. */
const PATIENCE_MS = 6000;
/** What isn't there by then comes from a file or a process: the machine is looked at in its own time, the page's stands still. */
const REST_MS = 15;
/** A process beside the server has to start first, on a busy machine. */
const MOST_ASKED = 120_000;
const MOST_RESTS = Number(process.env.MOST_RESTS ?? 4000);

/** Waits until nothing is under way and the page has drawn what came of it. */
export async function quiet(): Promise<void> {
  let rests = 0;
  for (let still = 0; still < 3; still = underWay.size === 0 ? still + 1 : 0) {
    await turn();
    if (underWay.size === 0) continue;
    if (++rests > MOST_ASKED) throw new Error(`never answered: ${[...underWay].join(", ")}`);
    await new Promise((resolve) => machineTimeout(resolve, 1));
  }
}

/** So long passes in the page. */
export async function passes(ms: number): Promise<void> {
  for (let gone = 0; gone < ms; gone += STEP_MS) {
    await quiet();
    await vi.advanceTimersByTimeAsync(STEP_MS);
  }
  await quiet();
}

/** Waits until `look` answers with something, the page's clock going on meanwhile. @throws what `what` says where it never does */
export async function until<Value>(
  look: () => Value | Promise<Value>,
  what: () => string,
): Promise<NonNullable<Value>> {
  let passed = 0;
  for (let rests = 0; rests < MOST_RESTS; ) {
    const found = await look();
    if (found) return found;
    await turn();
    if (underWay.size > 0) continue;
    if (passed < PATIENCE_MS) {
      passed += STEP_MS;
      await vi.advanceTimersByTimeAsync(STEP_MS);
    } else {
      rests++;
      await new Promise((resolve) => machineTimeout(resolve, REST_MS));
    }
  }
  throw new Error(what());
}
