import { randomUUID } from "node:crypto";
import { newEntry } from "../../server/testing/small-shop.ts";

/** As long as a browser waits for an answer. */
const LONGEST_MS = 5000;
const PAUSE_MS = 100;
const MOST_FAULTS = 5;

export interface Booked {
  ids: string[];
  /** Answers that were no “booked”, and sendings that nobody answered: each was sent again. */
  again: Map<string, number>;
  /** What the first answers that were faults said. */
  faults: string[];
  /** The longest that nothing at all was booked. */
  longestGapMs: number;
}

export interface ToBook {
  address: string;
  cookie: string;
  jobs: readonly string[];
  clients: number;
  /** How many lines all together, or until when. */
  lines: number;
  isOver?: () => boolean;
  /** Told each time that something was booked, and how long nothing had been. */
  onBooked?: (gapMs: number) => void;
}

async function once({ address, cookie }: ToBook, job: string, id: string, faults: string[]): Promise<string> {
  try {
    const answer = await fetch(`${address}/jobs/${job}/entries`, {
      method: "POST",
      headers: { Cookie: cookie, Origin: address, "Content-Type": "application/json" },
      body: JSON.stringify({ entries: [{ ...newEntry({ kind: "note", text: "under fire" }), id }] }),
      signal: AbortSignal.timeout(LONGEST_MS),
    });
    const text = await answer.text();
    if (answer.status === 500 && faults.length < MOST_FAULTS) faults.push(text.slice(0, 200));
    const { booked = [] } = JSON.parse(text) as { booked?: string[] };
    return booked.includes(id) ? "booked" : String(answer.status);
  } catch (error) {
    return (error as Error).name === "TimeoutError" ? "no answer" : "no server";
  }
}

/** Books lines as so many browsers would: one after the other, each sent again until it is called booked. */
export async function bookUnderFire(given: ToBook): Promise<Booked> {
  const told: Booked = { ids: [], again: new Map(), faults: [], longestGapMs: 0 };
  let last = performance.now();
  let begun = 0;
  const client = async (number: number) => {
    while (begun < given.lines && !given.isOver?.()) {
      begun++;
      const id = randomUUID();
      const job = given.jobs[(number + begun) % given.jobs.length] as string;
      for (;;) {
        const said = await once(given, job, id, told.faults);
        if (said === "booked") break;
        told.again.set(said, (told.again.get(said) ?? 0) + 1);
        await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
      }
      const now = performance.now();
      told.ids.push(id);
      told.longestGapMs = Math.max(told.longestGapMs, now - last);
      given.onBooked?.(now - last);
      last = now;
    }
  };
  await Promise.all(Array.from({ length: given.clients }, (_, number) => client(number)));
  return told;
}
