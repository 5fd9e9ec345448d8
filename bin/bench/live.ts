import { type ChildProcess, spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { SHOP_ID } from "../../demo/seed.ts";
import { demoId } from "../../demo/story.ts";
import { Server } from "../../e2e/support/server.ts";
import { readLiveLog } from "../../server/books/live/read-live-log.ts";
import { startLiveLog } from "../../server/books/live/start-live-log.ts";
import { atDesk } from "../../server/database/connection.ts";
import type { Figure } from "./measure.ts";
import { openEverywhere } from "./open-everywhere.ts";

const LASTS_S = 20;
const WARM_S = 4;
const LOGS = 20;
const PER_SECOND = 4;
const TICKS_PER_S = 100;

const wait = (s: number) => new Promise((resolve) => setTimeout(resolve, 1000 * s));

/** Seconds of a core that a process has used, its own and the system's for it. */
function coreS(pid: number): number {
  const told = readFileSync(`/proc/${pid}/stat`, "utf8").split(") ")[1]?.split(" ") ?? [];
  return (Number(told[11]) + Number(told[12])) / TICKS_PER_S;
}

/** The stand-in in a process of its own: what it costs is not the server's. */
async function adapter(): Promise<{ port: number; process: ChildProcess }> {
  const process_ = spawn(process.execPath, ["--import", "tsx", "bin/adapter.ts", "port", "0"], {
    stdio: ["ignore", "ignore", "inherit", "ipc"],
  });
  const port = await new Promise<number>((resolve, reject) => {
    process_.once("message", (told) => resolve(Number(told)));
    process_.once("exit", () => reject(new Error("the stand-in adapter ended")));
  });
  return { port, process: process_ };
}

/** What recording costs a web process, and whether many logs at once are read as often as they were asked for. */
export async function benchLive(): Promise<Figure[]> {
  const server = await Server.open({ today: new Date(), settingsFor: async () => ({}) });
  const { port, process: standIn } = await adapter();
  const { scratch } = server;
  const who = { shopId: SHOP_ID, personId: demoId("person:tobin") };
  try {
    await scratch.owner.sequelize.query(
      "UPDATE shops SET adapter = jsonb_set(adapter, '{port}', to_jsonb($1::int))",
      {
        bind: [port],
      },
    );
    const jobs = await openEverywhere(scratch.database);
    const logs = jobs.slice(0, LOGS).map((jobId) => ({ jobId, id: randomUUID() }));
    const begin = ({ jobId, id }: { jobId: string; id: string }) =>
      atDesk(scratch.database, who, (desk) =>
        startLiveLog(desk, jobId, { id, perSecond: PER_SECOND, opening: "car courier pace 1" }),
      );
    const share = async () => {
      await wait(WARM_S);
      const from = coreS(server.pid);
      await wait(LASTS_S);
      return ((coreS(server.pid) - from) / LASTS_S) * 100;
    };
    const idle = await share();
    const [first, ...rest] = logs;
    if (!first) throw new Error("no job to record of");
    await begin(first);
    const one = await share();
    for (const log of rest) await begin(log);
    const many = await share();
    const rates = await Promise.all(
      logs.map(async ({ jobId, id }) => {
        const { samples } = await atDesk(scratch.database, who, (desk) => readLiveLog(desk, jobId, id));
        const last = samples.at(-1)?.s ?? 0;
        return samples.filter(({ s }) => s > last - LASTS_S).length / LASTS_S;
      }),
    );
    return [
      {
        name: "what a live log adds to a web process, of one core",
        measured: one - idle,
        unit: "%",
        wanted: 3,
        from: `${one.toFixed(1)} % with it, ${idle.toFixed(1)} % without`,
      },
      {
        name: "what each of 20 adds",
        measured: (many - idle) / LOGS,
        unit: "%",
        wanted: 3,
        from: `${many.toFixed(1)} % with all`,
      },
      {
        name: "20 at once: readings a second of the slowest, of 4 asked for",
        measured: Math.min(...rates),
        unit: "a second",
        wanted: 0.95 * PER_SECOND,
        atLeast: true,
        from: `${LOGS} logs over ${LASTS_S} s`,
      },
    ];
  } finally {
    standIn.disconnect();
    await server.close();
  }
}
