import { Server } from "../../e2e/support/server.ts";
import { newEntry } from "../../server/testing/small-shop.ts";
import { ensureBuild } from "../lib/build.mjs";
import type { Figure } from "./measure.ts";
import { openEverywhere } from "./open-everywhere.ts";

const USUAL_TECHNICIANS = 200;
const EVERY_MS = 1000;
const LASTS_MS = 20_000;
const WARM_MS = 3000;
const WANTED_MS = 150;
const SHARE = 0.95;

/** Everybody books a line a second, each beginning somewhere in it; the milliseconds that each waited, slow answers and all. */
async function crowd(
  server: Server,
  cookie: string,
  jobs: readonly string[],
  technicians: number,
): Promise<number[]> {
  const [from, ms]: [number, number[]] = [performance.now(), []];
  const technician = async (number: number) => {
    for (let next = from + (EVERY_MS * number) / technicians; next < from + LASTS_MS; next += EVERY_MS) {
      await new Promise((resolve) => setTimeout(resolve, Math.max(0, next - performance.now())));
      const answer = await fetch(`${server.address}/jobs/${jobs[number % jobs.length]}/entries`, {
        method: "POST",
        headers: { Cookie: cookie, Origin: server.address, "Content-Type": "application/json" },
        body: JSON.stringify({ entries: [newEntry({ kind: "note", text: "of a crowd" })] }),
      });
      if (answer.status !== 200) throw new Error(`a booking was answered with ${answer.status}`);
      await answer.text();
      // From when it was due: one that had to wait for the one before it is late too.
      if (next - from > WARM_MS) ms.push(performance.now() - next);
    }
  };
  await Promise.all(Array.from({ length: technicians }, (_, number) => technician(number)));
  return ms.sort((a, b) => a - b);
}

async function crowdAt(processes: number, technicians: number): Promise<Figure> {
  const server = await Server.open({
    today: new Date(),
    settingsFor: async () => ({ PROCESSES: String(processes) }),
  });
  try {
    const cookie = await server.cookiesOf("tobin");
    const jobs = await openEverywhere(server.scratch.database);
    const ms = await crowd(server, cookie, jobs, technicians);
    const at = (share: number) => ms[Math.floor(share * ms.length)] ?? Number.NaN;
    return {
      name: `${technicians} technicians, a booking a second each, ${processes} process${processes > 1 ? "es" : ""}: 95 in 100 within`,
      ...{ measured: at(SHARE), unit: "ms", wanted: WANTED_MS },
      from: `${ms.length} bookings, half within ${Math.round(at(0.5))} ms, the slowest ${Math.round(at(1 - 1 / ms.length))} ms; whoever books runs on the same machine`,
    };
  } finally {
    await server.close();
  }
}

/** Two hundred technicians on this machine, or as many as are given, by one process and by two. */
export async function benchCrowd(given?: string): Promise<Figure[]> {
  const technicians = Number(given ?? USUAL_TECHNICIANS);
  await ensureBuild();
  return [await crowdAt(1, technicians), await crowdAt(2, technicians)];
}
