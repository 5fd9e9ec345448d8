import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { startPooler } from "../bin/lib/pooler.mjs";
import { childrenOf } from "../bin/lib/process-ids.mjs";
import type { LiveSample } from "../core/trade/trace/index.ts";
import { portCars } from "../demo/port-cars.ts";
import { jobId, SHOP_ID } from "../demo/seed.ts";
import { cookieOf, freePort, Server } from "../e2e/support/server.ts";
import { type AtDesk, atDesk } from "../server/database/connection.ts";
import { type Scratch, scratchDatabase } from "../server/testing/scratch-database.ts";
import { newEntry, PASSWORD, smallShop } from "../server/testing/small-shop.ts";
import { verifyShop } from "../server/verify/verify-shop.ts";
import { startAdapter } from "../stand-ins/scan-adapter/adapter.ts";

const JOB = jobId("open-find");
const PROCESSES = 3;

let server: Server;
let cookie: string;
let metricsPort: number;
let follower: Scratch;
let isFollowing = true;
let pooler: Awaited<ReturnType<typeof startPooler>>;
beforeAll(async () => {
  metricsPort = await freePort();
  // One that is so far behind that it knows nothing yet.
  follower = await scratchDatabase();
  server = await Server.open({
    settingsFor: async (scratch) => {
      pooler = await startPooler(scratch.appUrl, await freePort(), { connections: 4 });
      return {
        APP_DATABASE_URL: pooler.url,
        DIRECT_DATABASE_URL: scratch.appUrl,
        READ_DATABASE_URL: follower.appUrl,
        PROCESSES: String(PROCESSES),
        METRICS_PORT: String(metricsPort),
      };
    },
  });
  // Some seconds after signing in, which writes.
  cookie = (await server.cookiesOf("tobin")).replace(/(?:; )?wrote=1/, "");
});
afterAll(async () => {
  await server.close();
  pooler.close();
  if (isFollowing) await follower.drop();
});

/** Sent until it is answered, as a browser does: what comes back is whether it is booked. */
async function book(id = randomUUID(), tries = 400): Promise<string> {
  const body = JSON.stringify({
    entries: [{ ...newEntry({ kind: "note", text: "by one of several" }), id }],
  });
  for (let left = tries; left > 0; left--) {
    try {
      const answer = await fetch(`${server.address}/jobs/${JOB}/entries`, {
        method: "POST",
        headers: { Cookie: cookie, Origin: server.address, "Content-Type": "application/json" },
        body,
        signal: AbortSignal.timeout(5000),
      });
      const { booked = [] } = (await answer.json()) as { booked?: string[] };
      if (booked.includes(id)) return id;
    } catch {
      // Nobody was there to answer: it is sent again.
    }
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  throw new Error("never booked");
}

/** A page, asked for until it is one: a machine that is busy says later. */
async function shown(path: string, cookie: string): Promise<string> {
  const page = await fetch(`${server.address}${path}`, {
    headers: { Cookie: cookie, Connection: "close" },
    redirect: "manual",
  });
  if (page.status === 200) return page.text();
  expect(page.status).toBe(503);
  expect(Number(page.headers.get("Retry-After"))).toBeGreaterThan(0);
  return shown(path, cookie);
}

/** The processes that serve, by whose children they are. */
const workers = () => childrenOf(server.pid);

const figures = async () => (await fetch(`http://127.0.0.1:${metricsPort}/metrics`)).text();

describe("several processes with a pooler before the database", () => {
  it("book as one, and whoever looks through another one is told", async () => {
    expect(workers()).toHaveLength(PROCESSES);
    const leaving = new AbortController();
    const told = await Promise.all(
      Array.from({ length: 2 * PROCESSES }, async () => {
        const answer = await fetch(`${server.address}/jobs/${JOB}/grown`, {
          headers: { Cookie: cookie, Accept: "text/event-stream", Connection: "close" },
          signal: leaving.signal,
        });
        const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
        const read = async () => Number(/data: (\d+)/.exec((await reader?.read())?.value ?? "")?.[1]);
        const first = await read();
        // A beat says nothing, and whoever began to listen meanwhile the same once more.
        const further = async (): Promise<number> => {
          const next = await read();
          return next > first ? next : further();
        };
        return { first, further };
      }),
    );
    await book();
    const nexts = await Promise.all(told.map(({ further }) => further()));
    expect(nexts).toEqual(told.map(({ first }) => first + 1));
    leaving.abort();
  });

  it("show each shop its own, whatever connection a transaction is given", async () => {
    const other = await smallShop(server.scratch, "Beside");
    const [mine] = await server.scratch.owner.sequelize.query(
      "SELECT plate FROM vehicles WHERE shop_id <> $1",
      {
        bind: [other.shopId],
      },
    );
    const enter = async (): Promise<string> => {
      const entered = await fetch(`${server.address}/sign-in`, {
        method: "POST",
        headers: { Origin: server.address, "Content-Type": "application/x-www-form-urlencoded" },
        body: new URLSearchParams({ shop: other.slug, name: "Beside lead", password: PASSWORD }),
        redirect: "manual",
      });
      if (entered.status === 302) return cookieOf(entered);
      expect(entered.status).toBe(503);
      return enter();
    };
    // By each process over each connection: what one prepares on it is not there for the next.
    const [theirs] = await Promise.all(Array.from({ length: 4 * PROCESSES }, enter));
    const plates = (mine as { plate: string }[]).map(({ plate }) => plate);
    const pages = await Promise.all(
      Array.from({ length: 40 }, async (_, n) => {
        const isTheirs = n % 2 === 0;
        const text = await shown("/vehicles", `${isTheirs ? theirs : cookie}; wrote=1`);
        return {
          isTheirs,
          own: text.includes("BES "),
          demo: plates.filter((plate) => text.includes(plate)).length,
        };
      }),
    );
    for (const { isTheirs, own, demo } of pages) expect([own, demo > 0]).toEqual([isTheirs, !isTheirs]);
  });

  it("read from one that follows, but for whoever has just written, and where it is gone from the other", async () => {
    const first = "MRW 1185";
    expect(await shown("/vehicles", cookie)).not.toContain(first);
    const written = await fetch(`${server.address}/jobs/${JOB}/entries`, {
      method: "POST",
      headers: { Cookie: cookie, Origin: server.address, "Content-Type": "application/json" },
      body: JSON.stringify({ entries: [newEntry({ kind: "note", text: "seen at once" })] }),
    });
    const [wrote = ""] = written.headers.getSetCookie().filter((each) => each.startsWith("wrote="));
    expect(wrote).toMatch(/^wrote=1; Max-Age=\d; Path=\/; HttpOnly; SameSite=Lax$/);
    expect(await shown("/vehicles", `${cookie}; ${wrote.split(";")[0]}`)).toContain(first);
    await follower.drop();
    isFollowing = false;
    expect(await shown("/vehicles", cookie)).toContain(first);
  });

  it("record a live log by one of them at a time, and by another as each is killed", async () => {
    const adapter = await startAdapter({ cars: portCars(), delayMs: [1, 4] });
    const { sequelize } = server.scratch.owner;
    await sequelize.query("UPDATE shops SET adapter = jsonb_set(adapter, '{port}', to_jsonb($1::int))", {
      bind: [adapter.port],
    });
    const [id, job] = [randomUUID(), jobId("open-plan")];
    const send = async (form: object): Promise<void> => {
      const answer = await fetch(`${server.address}/jobs/${job}/live`, {
        method: "POST",
        headers: {
          Cookie: `${cookie}; wrote=1`,
          Origin: server.address,
          "Content-Type": "application/json",
          Connection: "close",
        },
        body: JSON.stringify(form),
      }).catch(() => undefined);
      if (answer?.status === 200) return;
      await new Promise((resolve) => setTimeout(resolve, 200));
      return send(form);
    };
    const samples = async () => {
      const [rows] = await sequelize.query(
        "SELECT samples FROM live_log_parts WHERE log_id = $1 ORDER BY seq",
        { bind: [id] },
      );
      return (rows as { samples: LiveSample[] }[]).flatMap((row) => row.samples);
    };
    const told = async () => (await samples()).filter(({ coolantC }) => coolantC !== undefined).length;
    const grows = async (more: number) => {
      const now = await told();
      await expect.poll(told, { timeout: 60_000, interval: 300 }).toBeGreaterThan(now + more);
    };
    await send({ what: "start", id, perSecond: 5, opening: "car wayfarer pace 20" });
    await grows(10);
    const before = workers();
    for (const pid of before) {
      process.kill(pid, "SIGKILL");
      await grows(10);
    }
    expect(workers().filter((pid) => before.includes(pid))).toEqual([]);
    await send({ what: "stop", logId: id });
    const ended = async () =>
      (
        (await sequelize.query("SELECT ended_at IS NOT NULL AS over FROM live_logs WHERE id = $1", {
          bind: [id],
        })) as [{ over: boolean }[], unknown]
      )[0][0]?.over;
    await expect.poll(ended, { timeout: 30_000, interval: 300 }).toBe(true);
    // Two that read at once would write the same seconds twice, or go back in time.
    const seconds = (await samples()).filter(({ coolantC }) => coolantC !== undefined).map(({ s }) => s);
    expect([...seconds].sort((a, b) => a - b)).toEqual(seconds);
    expect(new Set(seconds).size).toBe(seconds.length);
    expect((await samples()).some(({ gap }) => gap !== undefined)).toBe(true);
    await adapter.close();
  });

  it("lose nothing as each of them is killed, and are three again", async () => {
    const before = workers();
    const ids: string[] = [];
    let isOver = false;
    const bookers = Array.from({ length: 8 }, async () => {
      while (!isOver) ids.push(await book());
    });
    for (const pid of before) {
      process.kill(pid, "SIGKILL");
      await new Promise((resolve) => setTimeout(resolve, 300));
    }
    await expect.poll(() => workers().length, { timeout: 30_000 }).toBe(PROCESSES);
    isOver = true;
    await Promise.all(bookers);
    expect(workers().filter((pid) => before.includes(pid))).toEqual([]);
    const [rows] = await server.scratch.owner.sequelize.query(
      "SELECT id FROM entries WHERE id::text = ANY($1)",
      {
        bind: [ids],
      },
    );
    expect(new Set((rows as { id: string }[]).map(({ id }) => id))).toEqual(new Set(ids));
    const at: AtDesk = (work) => atDesk(server.scratch.database, { shopId: SHOP_ID }, work);
    expect((await verifyShop(at)).broken).toEqual([]);
  });

  it("tell the figures of all of them, by area, and nothing of anybody", async () => {
    await expect
      .poll(figures)
      .toMatch(/warm_ledger_request_seconds_count\{area="jobs",kind="post",status="200"\} [1-9]/);
    const text = await figures();
    expect(text).toMatch(/process_resident_memory_bytes \d/);
    expect(text).toMatch(/warm_ledger_waiting\{lane="secrets"\} 0/);
    expect(text).not.toMatch(/[0-9a-f]{8}-[0-9a-f]{4}-/);
    expect((await fetch(`${server.address}/metrics`, { redirect: "manual" })).status).not.toBe(200);
  });
});
