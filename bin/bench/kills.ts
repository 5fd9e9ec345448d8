import { seededRandom } from "../../core/kernel/chance/index.ts";
import { freePort, Server } from "../../e2e/support/server.ts";
import { openDatabase } from "../../server/database/connection.ts";
import { ensureBuild } from "../lib/build.mjs";
import { clusterProcess, startCluster } from "../lib/cluster.mjs";
import { startPooler } from "../lib/pooler.mjs";
import { childrenOf } from "../lib/process-ids.mjs";
import { stopAll } from "../lib/processes.mjs";
import { accountOf } from "./account.ts";
import { bookUnderFire } from "./bookers.ts";
import type { Figure } from "./measure.ts";
import { openEverywhere } from "./open-everywhere.ts";

const USUAL_LINES = 10_000;
const CLIENTS = 50;
const PROCESSES = 2;
const BETWEEN_MS = { least: 2000, most: 6000 };
const DOWN_MS = 1500;

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
async function startAgain(server: Server): Promise<void> {
  for (let tries = 0; ; tries++) {
    try {
      return await server.start();
    } catch (error) {
      // Its port is let go by what the last one left behind.
      if (tries > 20) throw error;
      await pause(300);
    }
  }
}

type Pooler = Awaited<ReturnType<typeof startPooler>>;

/** Each kills one part, sees to it that it comes back, and is named in the figures. */
const killers = (server: Server, pooler: Pooler, chance: () => number) => ({
  "a web process": async () => {
    const workers = childrenOf(server.pid);
    const pid = workers[Math.floor(chance() * workers.length)];
    if (pid) process.kill(pid, "SIGKILL");
  },
  "all web processes": async () => {
    const workers = childrenOf(server.pid);
    await server.kill();
    for (const pid of workers) process.kill(pid, "SIGKILL");
    await pause(chance() * DOWN_MS);
    await startAgain(server);
  },
  "the pooler": async () => {
    pooler.kill();
    await pause(chance() * DOWN_MS);
    pooler.start();
  },
  // Whoever started it starts it again.
  "the database": async () => {
    const pid = await clusterProcess("kills");
    if (pid) process.kill(pid, "SIGKILL");
  },
});

async function killAtRandom(server: Server, pooler: Pooler, isOver: () => boolean) {
  const chance = seededRandom(20);
  const all = Object.entries(killers(server, pooler, chance));
  const killed = new Map<string, number>();
  for (;;) {
    await pause(BETWEEN_MS.least + chance() * (BETWEEN_MS.most - BETWEEN_MS.least));
    if (isOver()) return killed;
    const [name, kill] = all[Math.floor(chance() * all.length)] as (typeof all)[number];
    await kill();
    killed.set(name, (killed.get(name) ?? 0) + 1);
  }
}

const counted = (counts: Map<string, number>) =>
  [...counts].map(([name, count]) => `${name} ${count}`).join(", ");

const none = (name: string, measured: number, from = ""): Figure => ({
  ...{ name, measured, unit: "", wanted: 1 },
  ...(from && { from }),
});

/** Ten thousand bookings by fifty browsers while web processes, pooler and database are killed in random order. */
export async function benchKills(given?: string): Promise<Figure[]> {
  const lines = Number(given ?? USUAL_LINES);
  await ensureBuild();
  const before = process.env.DATABASE_URL;
  process.env.DATABASE_URL = await startCluster("kills");
  let pooler: Pooler | undefined;
  const server = await Server.open({
    today: new Date(),
    settingsFor: async (scratch) => {
      pooler = await startPooler(scratch.appUrl, await freePort());
      return {
        APP_DATABASE_URL: pooler.url,
        DIRECT_DATABASE_URL: scratch.appUrl,
        PROCESSES: String(PROCESSES),
        LOG_LEVEL: "error",
      };
    },
  });
  try {
    const cookie = await server.cookiesOf("tobin");
    const jobs = await openEverywhere(server.scratch.database);
    let isOver = false;
    const killing = killAtRandom(server, pooler as Pooler, () => isOver);
    const { address } = server;
    const booked = await bookUnderFire({ address, cookie, jobs, clients: CLIENTS, lines });
    isOver = true;
    const killed = await killing;
    const owner = openDatabase(server.scratch.ownerUrl, { isPatient: true });
    const app = openDatabase(server.scratch.appUrl, { isPatient: true });
    const told = await accountOf(owner, app, booked);
    await Promise.all([owner.sequelize.close(), app.sequelize.close()]);
    return [
      none(`${booked.ids.length} bookings under kills: lost`, told.lost, `killed: ${counted(killed)}`),
      none(
        "doubled",
        told.doubled,
        `sent again: ${counted(booked.again)}${booked.faults.length > 0 ? `; faults: ${booked.faults.join(" | ")}` : ""}`,
      ),
      none("books with holes", told.holes),
      none("books that don't verify", told.broken),
      {
        ...{ name: "the longest that nothing was booked", measured: booked.longestGapMs / 1000, unit: "s" },
        wanted: 15,
      },
    ];
  } finally {
    await server.close().catch(() => undefined);
    pooler?.close();
    process.env.DATABASE_URL = before;
    await stopAll();
  }
}
