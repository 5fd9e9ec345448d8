import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import sharp from "sharp";
import { jobId } from "../../demo/seed.ts";
import { Server } from "../../e2e/support/server.ts";
import { newEntry } from "../../server/testing/small-shop.ts";
import { ensureBuild } from "../lib/build.mjs";
import { childrenOf } from "../lib/process-ids.mjs";
import type { Figure } from "./measure.ts";

const QUIET_MS = 4000;
const PAUSE_MS = 25;
const LONGEST_RUSH_MS = 60_000;
const WANTED_TIMES = 3;
const MOST_MEGABYTES = 600;
const LOG_ROWS = 1_000_000;
const [LINES, PEOPLE] = [20_000, 500];
const LOOK_MS = 250;

const BOOKED_IN = jobId("open-find");
const RUSHED_IN = jobId("open-prove");

const at95 = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(0.95 * times.length)] ?? Number.NaN;

/** Bookings one after the other, as a technician's taps are, for as long as `isOver` says; their milliseconds. */
async function bookings(server: Server, cookie: string, isOver: () => boolean): Promise<number[]> {
  const times: number[] = [];
  while (!isOver()) {
    const from = performance.now();
    const answer = await fetch(`${server.address}/jobs/${BOOKED_IN}/entries`, {
      method: "POST",
      headers: { Cookie: cookie, Origin: server.address, "Content-Type": "application/json" },
      body: JSON.stringify({ entries: [newEntry({ kind: "note", text: "one more" })] }),
    });
    if (answer.status !== 200) throw new Error(`a booking was answered with ${answer.status}`);
    await answer.text();
    times.push(performance.now() - from);
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
  }
  return times;
}

async function picture(server: Server, cookie: string, bytes: Uint8Array<ArrayBuffer>): Promise<void> {
  const form = new FormData();
  const fields = { id: randomUUID(), words: "neck", stage: "prove", at: new Date().toISOString() };
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  form.set("picture", new File([bytes], "neck.jpg", { type: "image/jpeg" }));
  const answer = await fetch(`${server.address}/jobs/${RUSHED_IN}/pictures`, {
    method: "POST",
    headers: { Cookie: cookie, Origin: server.address },
    body: form,
  });
  await answer.text();
}

async function signInTry(server: Server, attempt: number): Promise<void> {
  const answer = await fetch(`${server.address}/sign-in`, {
    method: "POST",
    headers: { Origin: server.address, "Content-Type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams({ shop: "lantern-hill", name: `Nobody ${attempt}`, password: "guessed" }),
    redirect: "manual",
  });
  await answer.text();
}

async function paper(server: Server, cookie: string): Promise<void> {
  const answer = await fetch(`${server.address}/jobs/${jobId("s01")}/report.pdf`, {
    headers: { Cookie: cookie },
  });
  await answer.arrayBuffer();
}

/** A warm-up of a day in tenths of a second: a million rows. */
function longLog(): Uint8Array<ArrayBuffer> {
  const rows = Array.from({ length: LOG_ROWS }, (_, row) => {
    const s = row / 10;
    return `${s.toFixed(1)},${(95 - 75 * Math.exp(-s / 600) + 3 * Math.sin(s / 90)).toFixed(1)}`;
  });
  return new TextEncoder().encode(`time_s,coolant_C\n${rows.join("\n")}\n`);
}

async function log(server: Server, cookie: string, bytes: Uint8Array<ArrayBuffer>): Promise<number> {
  const form = new FormData();
  form.set("id", randomUUID());
  form.set("name", "a-day.csv");
  form.set("log", new File([bytes], "a-day.csv", { type: "text/csv" }));
  const answer = await fetch(`${server.address}/jobs/${RUSHED_IN}/logs`, {
    method: "POST",
    headers: { Cookie: cookie, Origin: server.address },
    body: form,
  });
  await answer.text();
  return answer.status;
}

/** A closed job of the made-up shop, with a book of twenty thousand lines by five hundred people. */
async function largeJob(server: Server, cookie: string): Promise<string> {
  const answer = await fetch(`${server.address}/jobs/${jobId("s01")}/job.json`, {
    headers: { Cookie: cookie },
  });
  const file = (await answer.json()) as { job: Record<string, unknown>; entries: { at: string }[] };
  const people = Array.from({ length: PEOPLE }, (_, nr) => [randomUUID(), `Somebody ${nr}`]);
  const id = randomUUID();
  const entries = Array.from({ length: LINES }, (_, line) => ({
    ...{
      id: randomUUID(),
      jobId: id,
      seq: line + 1,
      at: file.entries[0]?.at,
      by: people[line % PEOPLE]?.[0],
    },
    ...{ stage: "find", kind: "note", text: `what somebody saw, ${line}` },
  }));
  const job = { ...file.job, id, signedById: people[0]?.[0], openedById: people[1]?.[0] };
  return JSON.stringify({
    ...file,
    job,
    entries,
    people: Object.fromEntries(people),
    logs: [],
    pictures: [],
  });
}

async function readIn(server: Server, cookie: string, file: string): Promise<void> {
  const form = new FormData();
  form.set("job", new File([file], "job.json", { type: "application/json" }));
  const answer = await fetch(`${server.address}/jobs/read-in`, {
    method: "POST",
    headers: { Cookie: cookie, Origin: server.address },
    body: form,
    redirect: "manual",
  });
  if (answer.status !== 302) throw new Error(`reading in was answered with ${await answer.text()}`);
}

const memoryOf = (pid: number): number => {
  try {
    return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024;
  } catch {
    return 0;
  }
};

/** The most memory, in MB, that the server's process has had, and that it and those beside it have had together. */
function watchMemory(server: Server) {
  const most = { own: 0, all: 0 };
  const timer = setInterval(() => {
    const own = memoryOf(server.pid);
    most.own = Math.max(most.own, own);
    most.all = Math.max(most.all, own + childrenOf(server.pid).reduce((sum, pid) => sum + memoryOf(pid), 0));
  }, LOOK_MS);
  return () => {
    clearInterval(timer);
    return most;
  };
}

/** Opens streams of one book and leaves them open; the answer ends them. */
async function streams(server: Server, cookie: string, many: number): Promise<() => void> {
  const leaving = new AbortController();
  await Promise.all(
    Array.from({ length: many }, () =>
      fetch(`${server.address}/jobs/${BOOKED_IN}/grown`, {
        headers: { Cookie: cookie, Accept: "text/event-stream" },
        signal: leaving.signal,
      }).then((answer) => void answer.text().catch(() => undefined)),
    ),
  );
  return () => leaving.abort();
}

/** How long a booking takes while others rush in with something slow, by how long it takes when nothing else is on. */
export async function benchRush(): Promise<Figure[]> {
  await ensureBuild();
  const server = await Server.open();
  const memory = watchMemory(server);
  try {
    const [booker, other] = [await server.cookiesOf("tobin"), await server.cookiesOf("ilse")];
    const lead = await server.cookiesOf("maren");
    const until = (ms: number) => {
      const end = performance.now() + ms;
      return () => performance.now() > end;
    };
    await bookings(server, booker, until(QUIET_MS));
    const quietMs = at95(await bookings(server, booker, until(QUIET_MS)));
    const noise = Buffer.alloc(4000 * 3000 * 3);
    for (let place = 0; place < noise.length; place += 7) noise[place] = (place * 2654435761) & 255;
    const taken = new Uint8Array(
      await sharp(noise, { raw: { width: 4000, height: 3000, channels: 3 } })
        .jpeg({ quality: 92 })
        .toBuffer(),
    );
    const day = longLog();
    const large = await largeJob(server, lead);
    const rushes: [name: string, rush: () => Promise<unknown>][] = [
      [
        "150 sign-ins",
        () => Promise.all(Array.from({ length: 150 }, (_, attempt) => signInTry(server, attempt))),
      ],
      ["24 pictures", () => Promise.all(Array.from({ length: 24 }, () => picture(server, other, taken)))],
      [
        "9 logs of a million rows",
        async () => {
          const statuses = await Promise.all(Array.from({ length: 9 }, () => log(server, other, day)));
          if (statuses.some((status) => status !== 200))
            throw new Error(`logs were answered with ${statuses}`);
        },
      ],
      ["20 papers", () => Promise.all(Array.from({ length: 20 }, () => paper(server, other)))],
      [`${LINES} lines by ${PEOPLE} people read in`, () => readIn(server, lead, large)],
    ];
    const figures: Figure[] = [];
    const told = (name: string, times: readonly number[]) =>
      figures.push({
        name: `bookings during ${name}, 95 in 100, by their quiet time`,
        measured: at95(times) / quietMs,
        unit: "times",
        wanted: WANTED_TIMES,
        from: `${at95(times).toFixed(0)} ms by ${quietMs.toFixed(0)}; ${times.length} bookings`,
      });
    for (const [name, rush] of rushes) {
      let isOver = false;
      const rushing = rush().finally(() => {
        isOver = true;
      });
      const late = until(LONGEST_RUSH_MS);
      told(name, await bookings(server, booker, () => isOver || late()));
      await rushing;
    }
    const leave = await streams(server, other, 200);
    told("200 open streams of the same book", await bookings(server, booker, until(QUIET_MS)));
    leave();
    const { own, all } = memory();
    figures.push({
      ...{ name: "the most memory of the server through all of it", measured: own },
      ...{ unit: "MB", wanted: MOST_MEGABYTES, from: `${all.toFixed(0)} MB with those beside it` },
    });
    return figures;
  } finally {
    memory();
    await server.close();
  }
}
